import { createContext, type ReactNode, useContext, useEffect, useMemo, useState } from 'react';
import { flushSync } from 'react-dom';
import { StyleSheet, useColorScheme, useWindowDimensions } from 'react-native';
import { DARK, LIGHT, type Palette } from './colors.ts';
import { WIDE_FROM_PX } from './space.ts';

/** What the person chose on this device. */
export type Appearance = 'system' | 'light' | 'dark';
export const APPEARANCES: readonly Appearance[] = ['system', 'light', 'dark'];

/** How much room a row takes, chosen on this device. */
export type Rows = 'roomy' | 'compact';

const KEPT_AS = 'wimbel.appearance';
const ROWS_KEPT_AS = 'wimbel.rows';

type Theme = {
  isDark: boolean;
  colors: Palette;
  appearance: Appearance;
  setAppearance: (appearance: Appearance) => void;
  rows: Rows;
  setRows: (rows: Rows) => void;
};

const ThemeContext = createContext<Theme | null>(null);

function keptAppearance(): Appearance {
  const kept = globalThis.localStorage?.getItem(KEPT_AS);
  return APPEARANCES.find((each) => each === kept) ?? 'system';
}

const keptRows = (): Rows => (globalThis.localStorage?.getItem(ROWS_KEPT_AS) === 'compact' ? 'compact' : 'roomy');

/** Content size of an A4 page, in pixels at 96 dpi. */
const PAPER_PX = 703;

/** Whether the page is being printed: paper is light, whatever the screen is. */
function useIsPrinting(): boolean {
  const [isPrinting, setIsPrinting] = useState(false);
  useEffect(() => {
    // The browser captures the page right after this event.
    const begin = (): void => {
      // Pictures are drawn for the width they have on the screen: all of it is made smaller as it is.
      const widthPx = document.querySelector('[role=main]')?.clientWidth ?? PAPER_PX;
      const { style } = document.documentElement;
      style.setProperty('--print-width', `${widthPx}px`);
      style.setProperty('--print-scale', String(Math.min(1, PAPER_PX / widthPx)));
      flushSync(() => setIsPrinting(true));
    };
    const end = (): void => setIsPrinting(false);
    globalThis.addEventListener?.('beforeprint', begin);
    globalThis.addEventListener?.('afterprint', end);
    return () => {
      globalThis.removeEventListener?.('beforeprint', begin);
      globalThis.removeEventListener?.('afterprint', end);
    };
  }, []);
  return isPrinting;
}

/** Gives the palette to everything below; follows the system unless the person chose. */
export function ThemeProvider({ children }: { children: ReactNode }) {
  const system = useColorScheme();
  const [appearance, setAppearance] = useState(keptAppearance);
  const [rows, setRows] = useState(keptRows);
  const isPrinting = useIsPrinting();
  const isDark = !isPrinting && (appearance === 'system' ? system === 'dark' : appearance === 'dark');
  const colors = isDark ? DARK : LIGHT;
  useEffect(() => {
    const page = globalThis.document?.documentElement;
    if (!page) return;
    page.style.setProperty('--focus', colors.working);
    page.style.setProperty('--scrollbar', colors.rim);
    page.style.setProperty('--scheme', isDark ? 'dark' : 'light');
    page.style.background = colors.paper;
    page.ownerDocument.body.style.background = colors.paper;
  }, [colors, isDark]);
  const theme = useMemo(
    () => ({
      isDark,
      colors,
      appearance,
      setAppearance: (chosen: Appearance) => {
        globalThis.localStorage?.setItem(KEPT_AS, chosen);
        setAppearance(chosen);
      },
      rows,
      setRows: (chosen: Rows) => {
        globalThis.localStorage?.setItem(ROWS_KEPT_AS, chosen);
        setRows(chosen);
      },
    }),
    [isDark, colors, appearance, rows],
  );
  return <ThemeContext.Provider value={theme}>{children}</ThemeContext.Provider>;
}

const ON_PAPER: Palette = { ...LIGHT, paper: '#FFFFFF', raised: '#FFFFFF' };

/** Content on white paper, whatever the theme. */
export function OnPaper({ children }: { children: ReactNode }) {
  const outer = useTheme();
  const theme = useMemo(() => ({ ...outer, isDark: false, colors: ON_PAPER }), [outer]);
  return <ThemeContext.Provider value={theme}>{children}</ThemeContext.Provider>;
}

export function useTheme(): Theme {
  const theme = useContext(ThemeContext);
  if (theme === null) throw new TypeError('useTheme is used outside of ThemeProvider');
  return theme;
}

/** Whether rows of habits take as little room as a finger allows. */
export const useIsCompact = (): boolean => useTheme().rows === 'compact';

/** Styles made from the palette, once for each of the two. */
export function themed<S extends StyleSheet.NamedStyles<S>>(make: (colors: Palette) => S & StyleSheet.NamedStyles<S>) {
  const made = new Map<Palette, S>();
  return (): S => {
    const { colors } = useTheme();
    let styles = made.get(colors);
    if (styles === undefined) {
      styles = StyleSheet.create(make(colors)) as S;
      made.set(colors, styles);
    }
    return styles;
  };
}

export const useIsWide = (): boolean => useWindowDimensions().width >= WIDE_FROM_PX;
