import type { TextStyle } from 'react-native';

export const FAMILIES = {
  head: 'BricolageGrotesque_700Bold',
  regular: 'Figtree_400Regular',
  medium: 'Figtree_500Medium',
  bold: 'Figtree_600SemiBold',
} as const;

const text = (fontFamily: string, fontSize: number, lineHeight: number): TextStyle => ({
  fontFamily,
  fontSize,
  lineHeight,
  fontVariant: ['tabular-nums'],
});
const head = (fontSize: number, lineHeight: number): TextStyle => ({
  fontFamily: FAMILIES.head,
  fontSize,
  lineHeight,
  letterSpacing: -0.2,
});

/** Every size of type there is. */
export const TYPE = {
  display: head(30, 34),
  title: head(26, 30),
  section: head(21, 26),
  card: head(17, 22),
  name: text(FAMILIES.medium, 16, 21),
  body: text(FAMILIES.regular, 15, 21),
  strong: text(FAMILIES.bold, 15, 21),
  quiet: text(FAMILIES.regular, 13, 18),
  label: text(FAMILIES.medium, 13, 18),
  small: text(FAMILIES.regular, 11, 14),
  smallStrong: text(FAMILIES.bold, 11, 14),
} as const satisfies Record<string, TextStyle>;

export type TypeName = keyof typeof TYPE;
