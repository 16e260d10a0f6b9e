import { parseDay } from '@wimbel/core';
import { useState } from 'react';
import { View } from 'react-native';
import { counted, dateNear } from '../../text/format.ts';
import { selectToday } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { themed } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Field } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Words } from '../../ui/Words.tsx';

/** A habit, or what is to be one, with the day it counts from, and that of its first mark, if it has any. */
export type FirstDay = { id: string; name: string; from: string; mark: string | null };

/** Why some habits cannot count from a day; null where they can. */
function firstDayFault(day: string, chosen: readonly FirstDay[]): string | null {
  if (parseDay(day) === null) return 'Choose a day';
  const late = chosen.filter(({ mark }) => mark !== null && mark < day);
  if (late.length === 0) return chosen.length === 0 ? 'Choose a habit' : null;
  return late.length === 1
    ? `${late[0]!.name} has a mark before that day`
    : `${counted(late.length, 'habit')} have marks before that day`;
}

/** The days that habits count from, changed for one, several or all of them at once. */
export function FirstDaysSheet({
  habits,
  onClose,
  onApply,
}: {
  habits: readonly FirstDay[];
  onClose: () => void;
  onApply: (ids: readonly string[], day: string) => void;
}) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [day, setDay] = useState(() => habits.reduce((first, { from }) => (from < first ? from : first), '9999-12-31'));
  const [fault, setFault] = useState<string | null>(null);
  const chosen = habits.filter(({ id }) => !left.has(id));
  const flip = (id: string): void => {
    const next = new Set(left);
    if (!next.delete(id)) next.add(id);
    setLeft(next);
    setFault(null);
  };
  const apply = (): void => {
    const found = firstDayFault(day, chosen);
    if (found !== null) return setFault(found);
    onApply(
      chosen.map(({ id }) => id),
      day,
    );
  };
  return (
    <Sheet title="First days" onClose={onClose}>
      <Words type="quiet" tone="quiet">
        From its first day on a habit is asked: blank days since then count as not done.
      </Words>
      <Field
        label="They count from"
        value={day}
        isDate
        onChangeText={(text) => {
          setDay(text);
          setFault(null);
        }}
        {...(fault === null ? {} : { error: fault })}
      />
      {habits.length > 1 ? (
        <Button
          kind="bare"
          style={styles.all}
          onPress={() => setLeft(left.size > 0 ? new Set() : new Set(habits.map(({ id }) => id)))}
        >
          {left.size > 0 ? 'Choose all' : 'Choose none'}
        </Button>
      ) : null}
      <View role="group" aria-label="Habits" style={styles.list}>
        {habits.map(({ id, name, from }) => {
          const isChosen = !left.has(id);
          const begins = dateNear(parseDay(from) ?? today, today);
          return (
            <Choice
              key={id}
              role="checkbox"
              isChosen={isChosen}
              label={`${name}, from ${begins}`}
              onPress={() => flip(id)}
              style={[styles.habit, isChosen && styles.chosen]}
            >
              <Words type="name" numberOfLines={1} style={styles.name}>
                {name}
              </Words>
              <Words type="quiet" tone="quiet">
                {`from ${begins}`}
              </Words>
            </Choice>
          );
        })}
      </View>
      <View style={styles.keys}>
        <Button kind="main" onPress={apply}>
          Save
        </Button>
        <Button kind="bare" onPress={onClose}>
          Cancel
        </Button>
      </View>
    </Sheet>
  );
}

const useStyles = themed((colors) => ({
  all: { alignSelf: 'flex-start' },
  list: { gap: 2 },
  habit: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    minHeight: 44,
    paddingHorizontal: SPACE.m,
    borderRadius: 12,
  },
  chosen: { backgroundColor: colors.wash },
  name: { flex: 1, minWidth: 0 },
  keys: { flexDirection: 'row', gap: SPACE.s },
}));
