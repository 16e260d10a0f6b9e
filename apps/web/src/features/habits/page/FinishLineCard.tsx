import { type Track, finishedOn, doneBetween } from '@wimbel/core';
import { useState } from 'react';
import { outOf } from '../../../text/amounts.ts';
import { counted, dateNear } from '../../../text/format.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Card } from '../../../ui/Card.tsx';
import { CardHead } from '../../../ui/CardHead.tsx';
import { ProgressBar } from '../../../ui/ProgressBar.tsx';
import { Words } from '../../../ui/Words.tsx';
import { FinishLineSheet } from './HabitSheets.tsx';
import { Figure } from '../../../components/figure/Figure.tsx';
import { CardAction } from './CardAction.tsx';

/** So many done days in all, and then done. */
export function FinishLineCard({ track, color }: { track: Track; color: string }) {
  const styles = useStyles();
  const [isOpen, setIsOpen] = useState(false);
  const { habit, today } = track;
  const { finishLine } = habit;
  const reached = finishedOn(track);
  const done = doneBetween(track, { first: track.first, last: today });
  const days = finishLine?.days ?? 0;
  const lineWords =
    reached === null
      ? `${done} of ${counted(days, 'day')}, ${days - done} to go`
      : `${counted(days, 'day')} reached on ${dateNear(reached, today)}`;
  return (
    <Card label="Finish line" style={styles.card}>
      <CardHead
        title="Finish line"
        aside={<CardAction label="Set the finish line" onPress={() => setIsOpen(true)} />}
      />
      {finishLine === undefined ? (
        <Words type="quiet" tone="quiet">
          None: it goes on. Set one for a habit that is done after so many times.
        </Words>
      ) : (
        <>
          <Figure
            asked={{ figure: 'habitDone', habitId: habit.id, span: { first: track.first, last: today } }}
            label={lineWords}
          >
            <Words>{lineWords}</Words>
          </Figure>
          <ProgressBar
            ratio={done / finishLine.days}
            color={color}
            label={`${outOf(done, finishLine.days)} days in all`}
            heightPx={6}
          />
          {finishLine.reward ? (
            <Words type="quiet" tone="brassText">
              {reached === null ? 'Reward' : 'Earned'}: {finishLine.reward}
            </Words>
          ) : null}
        </>
      )}
      {isOpen ? <FinishLineSheet habit={habit} onClose={() => setIsOpen(false)} /> : null}
    </Card>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.m },
}));
