import { type Track, dayOf, formatDay } from '@wimbel/core';
import { useState } from 'react';
import { Pressable } from 'react-native';
import { selectHidesStreaks } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { spanInWords } from '../../../text/format.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE, TOUCH_PX } from '../../../theme/space.ts';
import { Card } from '../../../ui/Card.tsx';
import { CardHead } from '../../../ui/CardHead.tsx';
import { Words } from '../../../ui/Words.tsx';
import { PauseSheet } from './HabitSheets.tsx';
import { CardAction } from './CardAction.tsx';

/** The pauses, past and to come. */
export function PausesCard({ track }: { track: Track }) {
  const styles = useStyles();
  const [opened, setOpened] = useState<number | 'new' | null>(null);
  const { habit, today } = track;
  const hidesStreaks = useAppSelector(selectHidesStreaks);
  const pauses = habit.pauses ?? [];
  return (
    <Card label="Pauses" style={styles.card}>
      <CardHead
        title="Pauses"
        aside={
          <CardAction label="Add a pause" onPress={() => setOpened('new')}>
            Add
          </CardAction>
        }
      />
      {pauses.length === 0 ? (
        <Words type="quiet" tone="quiet">
          {hidesStreaks
            ? 'None. In a pause nothing is due.'
            : 'None. In a pause nothing is due, and the streak goes on after it.'}
        </Words>
      ) : (
        pauses.map((pause, index) => (
          <Pressable
            key={`${pause.from} ${index}`}
            role="button"
            aria-label={`Pause from ${pause.from}`}
            onPress={() => setOpened(index)}
            style={styles.press}
          >
            <Words>{spanInWords({ first: dayOf(pause.from), last: dayOf(pause.to) }, today)}</Words>
            <Words type="quiet" tone="quiet">
              {[
                pause.to < formatDay(today) ? '' : pause.from > formatDay(today) ? 'still to come' : 'running',
                pause.why,
              ]
                .filter(Boolean)
                .join(', ')}
            </Words>
          </Pressable>
        ))
      )}
      {opened === null ? null : (
        <PauseSheet track={track} at={opened === 'new' ? null : opened} onClose={() => setOpened(null)} />
      )}
    </Card>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.m },
  press: { minHeight: TOUCH_PX, justifyContent: 'center' },
}));
