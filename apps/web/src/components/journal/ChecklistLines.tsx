import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { LIMITS } from '@wimbel/contract';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Field } from '../../ui/Field.tsx';
import { Peg } from '../../ui/Peg.tsx';
import { useNoteDraft } from '../entry/useNoteDraft.ts';

type ChecklistItem = { text: string; done?: boolean };

const LONGEST_LINE = 500;

/**
 * Lines of a list, with one more to write in; of a checklist each has a peg that ticks it off. Enter keeps a line and moves
 * the focus to the next one, which is made where there is none.
 */
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
  /** Rows opened by Enter beyond those that stand ready. */
  const [opened, setOpened] = useState(0);
  const rows = Math.min(Math.max(items.length + (isTicked ? 1 : 0), size, opened), LIMITS.lists.answerItems);
  // The next line can be kept before this one is drawn anew.
  const latest = useRef(items);
  useEffect(() => {
    latest.current = items;
  }, [items]);
  const inputs = useRef(new Map<number, HTMLInputElement>());
  const wanted = useRef<number | null>(null);
  useEffect(() => {
    if (wanted.current === null) return;
    const input = inputs.current.get(wanted.current);
    if (input === undefined) return;
    wanted.current = null;
    input.focus();
  });
  const setLine = (at: number, next: ChecklistItem): void => {
    const now = latest.current;
    const all = Array.from({ length: Math.max(now.length, at + 1) }, (_, row) => now[row] ?? { text: '' });
    all[at] = next;
    // Lines that say nothing go, but those between others stay where they are typed.
    const last = all.findLastIndex((item) => item.text.trim() !== '');
    latest.current = all.slice(0, last + 1);
    onChange([...latest.current]);
  };
  const enter = (at: number): void => {
    const next = inputs.current.get(at + 1);
    if (next !== undefined) return next.focus();
    wanted.current = at + 1;
    setOpened(at + 2);
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
          onEnter={() => enter(at)}
          inputRef={(input) => {
            if (input === null) inputs.current.delete(at);
            else inputs.current.set(at, input);
          }}
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
  onEnter,
  inputRef,
}: {
  label: string;
  item: ChecklistItem;
  isTicked: boolean;
  onChange: (item: ChecklistItem) => void;
  onEnter: () => void;
  inputRef: (input: HTMLInputElement | null) => void;
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
          onSubmitEditing={() => {
            draft.keep();
            // A line that says nothing leads to no other.
            if (draft.text.trim() !== '') onEnter();
          }}
          blurOnSubmit={false}
          inputRef={inputRef}
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
