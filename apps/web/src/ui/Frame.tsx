import type { ReactNode } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { themed, useIsWide, useTheme } from '../theme/Theme.tsx';
import { CORNER, SPACE } from '../theme/space.ts';
import { type Icon, IconButton } from './IconButton.tsx';
import { PegPicture } from './Peg.tsx';
import { Words } from './Words.tsx';

export type Place = { path: string; label: string; icon: Icon };

type Props = {
  places: readonly Place[];
  /** The path that is open now. */
  current: string;
  onGo: (path: string) => void;
  children: ReactNode;
  /** Places that stand in the rail, and on a phone are reached from elsewhere. */
  wideOnly?: readonly Place[];
  /** A place that stands in the rail, and on a phone above the page. */
  more: Place;
  /** Opens the field that finds everything. */
  find: { label: string; keys: string; icon: Icon; onPress: () => void };
  /** Puts back what was done last; null while there is nothing. On a wide screen there is a key for it. */
  undo: { label: string; icon: Icon; onPress: () => void } | null;
};

/** The page with its places: a bar below on a phone, a rail on the left on a wide screen. */
export function Frame({ places, wideOnly = [], more, find, undo, current, onGo, children }: Props) {
  const styles = useStyles();
  const { colors } = useTheme();
  const isWide = useIsWide();
  const linkTo = (place: Place) => (
    <PlaceLink key={place.path} place={place} isHere={current.startsWith(place.path)} isWide={isWide} onGo={onGo} />
  );
  const links = places.map(linkTo);
  if (!isWide) {
    return (
      <View style={styles.phone}>
        <View style={styles.top}>
          <View style={styles.topBrand}>
            <Mark sizePx={18} />
            <Words type="label" tone="quiet">
              Wimbel
            </Words>
          </View>
          {undo ? <IconButton icon={undo.icon} label={undo.label} sizePx={20} onPress={undo.onPress} /> : null}
          <IconButton icon={find.icon} label={find.label} sizePx={20} onPress={find.onPress} />
          <IconButton icon={more.icon} label={more.label} sizePx={20} onPress={() => onGo(more.path)} />
        </View>
        <View role="main" style={styles.main}>
          {children}
        </View>
        <View role="navigation" aria-label="Places" style={styles.bar}>
          {links}
        </View>
      </View>
    );
  }
  return (
    <View style={styles.wide}>
      <View role="navigation" aria-label="Places" style={styles.rail}>
        <View style={styles.brand}>
          <Mark />
          <Words type="section">Wimbel</Words>
        </View>
        {links}
        {wideOnly.map(linkTo)}
        {linkTo(more)}
        <Pressable role="button" aria-label={find.label} onPress={find.onPress} style={styles.railLink}>
          <find.icon size={19} color={colors.quiet} strokeWidth={1.9} />
          <Words type="name" tone="quiet" style={styles.railWords}>
            {find.label}
          </Words>
          <Words type="small" tone="quiet">
            {find.keys}
          </Words>
        </Pressable>
      </View>
      <View role="main" style={styles.main}>
        {children}
      </View>
    </View>
  );
}

/** The mark of the product: a peg with its curl. */
export function Mark({ sizePx = 22 }: { sizePx?: number }) {
  const { colors } = useTheme();
  return <PegPicture state="done" sizePx={sizePx} color={colors.working} />;
}

function PlaceLink({
  place,
  isHere,
  isWide,
  onGo,
}: {
  place: Place;
  isHere: boolean;
  isWide: boolean;
  onGo: (path: string) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const color = isHere ? colors.working : colors.quiet;
  const link = { href: place.path };
  return (
    <Pressable
      {...link}
      role="link"
      aria-current={isHere ? 'page' : undefined}
      aria-label={place.label}
      onPress={(event) => {
        event.preventDefault();
        onGo(place.path);
      }}
      style={isWide ? [styles.railLink, isHere && styles.railHere] : styles.barLink}
    >
      <place.icon size={isWide ? 19 : 23} color={color} strokeWidth={1.9} />
      <Words type={isWide ? 'name' : 'label'} tone={isHere ? (isWide ? 'deep' : 'working') : 'quiet'}>
        {place.label}
      </Words>
    </Pressable>
  );
}

/** The scrolling body of a place; fitted, its content is as tall as the screen where it can be, and scrolls inside itself. */
export function Page({
  children,
  isFull = false,
  isFitted = false,
}: {
  children: ReactNode;
  isFull?: boolean;
  isFitted?: boolean;
}) {
  const styles = useStyles();
  const isWide = useIsWide();
  return (
    <ScrollView
      style={styles.scroll}
      contentContainerStyle={[
        styles.page,
        isWide && styles.pageWide,
        isFull && isWide && styles.pageFull,
        isFitted && styles.fitted,
      ]}
    >
      {children}
    </ScrollView>
  );
}

const useStyles = themed((colors) => ({
  phone: { flex: 1, backgroundColor: colors.paper },
  top: {
    flexDirection: 'row',
    alignItems: 'center',
    height: 44,
    paddingLeft: SPACE.l,
    paddingRight: SPACE.xs,
  },
  topBrand: { flex: 1, flexDirection: 'row', alignItems: 'center', gap: 6 },
  railWords: { flex: 1 },
  wide: { flex: 1, flexDirection: 'row', backgroundColor: colors.paper },
  main: { flex: 1, minWidth: 0, minHeight: 0 },
  bar: {
    flexDirection: 'row',
    justifyContent: 'space-around',
    backgroundColor: colors.raised,
    borderTopWidth: 1,
    borderTopColor: colors.line,
    paddingTop: 6,
    paddingBottom: 10,
  },
  barLink: { alignItems: 'center', gap: 3, flex: 1, minHeight: 50, justifyContent: 'center' },
  rail: {
    width: 164,
    backgroundColor: colors.raised,
    borderRightWidth: 1,
    borderRightColor: colors.line,
    padding: SPACE.s,
    gap: 2,
  },
  brand: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    paddingHorizontal: SPACE.m,
    paddingTop: SPACE.m,
    paddingBottom: SPACE.xl,
  },
  railLink: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.m,
    minHeight: 44,
    paddingHorizontal: SPACE.m,
    borderRadius: CORNER.field,
  },
  railHere: { backgroundColor: colors.wash },
  scroll: { flex: 1 },
  page: { padding: SPACE.l, paddingBottom: SPACE.xxl, gap: SPACE.l },
  pageWide: { paddingHorizontal: SPACE.xxl, paddingVertical: SPACE.xl, maxWidth: 1160, width: '100%' },
  fitted: { height: '100%', minHeight: 560, paddingBottom: SPACE.l },
  pageFull: { maxWidth: 1600, paddingHorizontal: SPACE.l },
}));
