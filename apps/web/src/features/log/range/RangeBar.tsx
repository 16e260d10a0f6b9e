import ArrowDownToDot from 'lucide-react-native/icons/arrow-down-to-dot';
import ClipboardPaste from 'lucide-react-native/icons/clipboard-paste';
import Copy from 'lucide-react-native/icons/copy';
import Eraser from 'lucide-react-native/icons/eraser';
import X from 'lucide-react-native/icons/x';
import type { ReactNode } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { CORNER, SPACE, TOUCH_PX } from '../../../theme/space.ts';
import { IconButton } from '../../../ui/IconButton.tsx';
import { PegPicture } from '../../../ui/Peg.tsx';
import { Words } from '../../../ui/Words.tsx';
import type { RangeDeed } from './useRange.ts';

type Props = {
  /** "12 days of 3 habits" */
  words: string;
  onDeed: (deed: RangeDeed) => void;
  onAmount: (() => void) | null;
  onCopy: () => void;
  onPaste: (() => void) | null;
  onClose: () => void;
};

/** Actions on the selected days. */
export function RangeBar({ words, onDeed, onAmount, onCopy, onPaste, onClose }: Props) {
  const styles = useStyles();
  const { colors } = useTheme();
  const icon = (Shape: typeof Copy): ReactNode => <Shape size={19} color={colors.quiet} strokeWidth={1.9} />;
  const peg = (state: 'done' | 'missed' | 'rest'): ReactNode => (
    <PegPicture state={state} sizePx={20} color={colors.working} />
  );
  return (
    <View style={styles.bar} role="toolbar" aria-label="For the days picked">
      <View style={styles.words} role="status">
        <Words type="strong">{words}</Words>
      </View>
      <ScrollView horizontal style={styles.scroll} contentContainerStyle={styles.deeds}>
        <Deed label="Done" icon={peg('done')} onPress={() => onDeed('check')} />
        <Deed label="Missed" icon={peg('missed')} onPress={() => onDeed('missed')} />
        <Deed label="Rest" icon={peg('rest')} onPress={() => onDeed('rest')} />
        {onAmount === null ? null : <Deed label="Amount" icon={<Words type="strong">12</Words>} onPress={onAmount} />}
        <Deed label="Clear" icon={icon(Eraser)} onPress={() => onDeed('empty')} />
        <Deed label="As the week before" icon={icon(ArrowDownToDot)} onPress={() => onDeed('weekBefore')} />
        <Deed label="Copy" icon={icon(Copy)} onPress={onCopy} />
        {onPaste === null ? null : <Deed label="Paste" icon={icon(ClipboardPaste)} onPress={onPaste} />}
      </ScrollView>
      <IconButton icon={X} label="Let go" onPress={onClose} />
    </View>
  );
}

function Deed({ label, icon, onPress }: { label: string; icon: ReactNode; onPress: () => void }) {
  const styles = useStyles();
  return (
    <Pressable
      role="button"
      aria-label={label}
      onPress={onPress}
      style={({ pressed }) => [styles.deed, pressed && styles.pressed]}
    >
      {icon}
      <Words type="label">{label}</Words>
    </Pressable>
  );
}

const useStyles = themed((colors) => ({
  bar: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    columnGap: SPACE.s,
    paddingLeft: SPACE.l,
    borderRadius: CORNER.card,
    borderWidth: 1,
    borderColor: colors.working,
    backgroundColor: colors.raised,
  },
  words: { minHeight: TOUCH_PX, justifyContent: 'center', flexGrow: 1 },
  scroll: { flexGrow: 0, flexShrink: 1 },
  deeds: { alignItems: 'center' },
  deed: {
    minHeight: TOUCH_PX,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 6,
    paddingHorizontal: SPACE.m,
    borderRadius: CORNER.pill,
  },
  pressed: { backgroundColor: colors.hole },
}));
