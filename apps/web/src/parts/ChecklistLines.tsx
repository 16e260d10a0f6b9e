import { View } from 'react-native';
import { themed, useTheme } from '../theme/Theme.tsx';
import { SPACE } from '../theme/space.ts';
import { Field } from '../ui/Field.tsx';
import { Peg } from '../ui/Peg.tsx';
import { useNoteDraft } from './useNoteDraft.ts';

export type ChecklistItem = { text: string; done?: boolean };

const LONGEST_LINE = 500;

/** Lines of a list, with one more to write in; of a checklist each has a peg that ticks it off. */
export function ChecklistLines({
  label,
  items,
  size,
  isTicked,
  onChange,
}: {
  label: string;
  items: readonly ChecklistItem[];
  /** How many lines stand ready. */
  size: number;
  isTicked: boolean;
  onChange: (items: ChecklistItem[]) => void;
}) {
  const styles = useStyles();
  const rows = Math.max(items.length + (isTicked ? 1 : 0), size);
  const setLine = (at: number, next: ChecklistItem): void => {
    const all = Array.from({ length: Math.max(items.length, at + 1) }, (_, row) => items[row] ?? { text: '' });
    all[at] = next;
    // Lines that say nothing go, but those between others stay where they are typed.
    const last = all.findLastIndex((item) => item.text.trim() !== '');
    onChange(all.slice(0, last + 1));
  };
  return (
    <View style={styles.lines} role="group" aria-label={label}>
      {Array.from({ length: rows }, (_, at) => (
        <Line
          key={at}
          label={`${label}, line ${at + 1}`}
          item={items[at] ?? { text: '' }}
          isTicked={isTicked}
          onChange={(next) => setLine(at, next)}
        />
      ))}
    </View>
  );
}

function Line({
  label,
  item,
  isTicked,
  onChange,
}: {
  label: string;
  item: ChecklistItem;
  isTicked: boolean;
  onChange: (item: ChecklistItem) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const draft = useNoteDraft(item.text, (text) => onChange({ ...item, text }));
  const isWritten = item.text.trim() !== '';
  return (
    <View style={styles.line}>
      {isTicked && isWritten ? (
        <Peg
          state={item.done ? 'done' : 'blank'}
          sizePx={24}
          color={colors.working}
          label={`${item.text}: done`}
          isChecked={item.done === true}
          onPress={() => onChange({ text: draft.text.trim() || item.text, ...(item.done ? {} : { done: true }) })}
        />
      ) : null}
      <View style={styles.grow}>
        <Field
          label={label}
          isLabelHidden
          value={draft.text}
          onChangeText={draft.write}
          onBlur={draft.keep}
          onSubmitEditing={draft.keep}
          maxLength={LONGEST_LINE}
          placeholder={isTicked ? 'Something to tick off' : ''}
        />
      </View>
    </View>
  );
}

const useStyles = themed(() => ({
  lines: { gap: SPACE.xs },
  line: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s },
  grow: { flex: 1, minWidth: 0 },
}));
