import ChevronRight from 'lucide-react-native/icons/chevron-right';
import X from 'lucide-react-native/icons/x';
import { Pressable, View } from 'react-native';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { beginningOf } from '../../text/format.ts';
import { SPACE, TOUCH_PX } from '../../theme/space.ts';
import { IconButton } from '../../ui/IconButton.tsx';
import { Words } from '../../ui/Words.tsx';

/** What a look back meant to do, until it is put away. */
export function MeantLine({
  head,
  of = '',
  text,
  onOpen,
  onPutAway,
}: {
  head: string;
  /** Its season, for screen readers. */
  of?: string;
  text: string;
  onOpen: () => void;
  onPutAway: () => void;
}) {
  const styles = useStyles();
  const name = `${head}${of === '' ? '' : `, ${of}`}`;
  return (
    <View style={styles.meant}>
      <Pressable role="link" aria-label={`${name}: ${text}`} onPress={onOpen} style={styles.grow}>
        <Words type="label" tone="quiet">
          {head}
        </Words>
        <Words>{beginningOf(text, 240)}</Words>
      </Pressable>
      <IconButton icon={X} label={`Put away: ${name.charAt(0).toLowerCase()}${name.slice(1)}`} onPress={onPutAway} />
    </View>
  );
}

/** A look back that can be written now, or left for another time. */
export function OfferLine({
  title,
  isParted,
  onOpen,
  onWaveOff,
}: {
  title: string;
  isParted: boolean;
  onOpen: () => void;
  onWaveOff: () => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  return (
    <View style={[styles.offer, isParted && styles.parted]}>
      <Pressable role="link" aria-label={title} onPress={onOpen} style={styles.way}>
        <Words type="name" style={styles.grow}>
          {title}
        </Words>
        <ChevronRight size={18} color={colors.quiet} />
      </Pressable>
      <IconButton
        icon={X}
        label={`Not this time: ${title.charAt(0).toLowerCase()}${title.slice(1)}`}
        onPress={onWaveOff}
      />
    </View>
  );
}

const useStyles = themed((colors) => ({
  meant: {
    flexDirection: 'row',
    alignItems: 'center',
    borderLeftWidth: 3,
    borderLeftColor: colors.brass,
    paddingLeft: SPACE.m,
    maxWidth: 720,
  },
  grow: { flex: 1, minWidth: 0 },
  offer: { flexDirection: 'row', alignItems: 'center', paddingLeft: SPACE.l },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  way: { flex: 1, minWidth: 0, minHeight: TOUCH_PX, flexDirection: 'row', alignItems: 'center', gap: SPACE.s },
}));
