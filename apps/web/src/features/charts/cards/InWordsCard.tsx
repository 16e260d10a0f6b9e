import { holdsDay, keptTogether, reviewFacts } from '@wimbel/core';
import { View } from 'react-native';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { outOf } from '../../../text/amounts.ts';
import { percent } from '../../../text/format.ts';
import { themed } from '../../../theme/Theme.tsx';
import { Words } from '../../../ui/Words.tsx';
import { factWords } from '../chartWords.ts';
import { spanTitle } from '../../../text/spanText.ts';
import { keptAsked } from '../chartedOf.ts';
import { FigureWords } from '../../../components/figure/Figure.tsx';
import { type ReviewProps, factAsked } from './reviewCard.ts';

/** What changed most, in plain sentences with their numbers. */
export function InWords({ kind, review, of }: ReviewProps) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const habits = useAppSelector((state) => state.records.habits);
  const facts = reviewFacts(review);
  if (facts.length === 0) return <NothingSettled kind={kind} review={review} of={of} />;
  return (
    <View role="note" aria-label="In words" style={styles.facts}>
      {facts.map((fact, index) => (
        <FigureWords
          key={index}
          asked={factAsked(fact, review, of)}
          words={factWords(fact, kind, (id) => habits[id]?.name ?? '', today)}
          type={index === 0 ? 'name' : 'body'}
        />
      ))}
    </View>
  );
}

/** A span in which nothing is settled yet says so, and how the one before it stood. */
function NothingSettled({ kind, review: { span, before }, of }: ReviewProps) {
  const today = useAppSelector(selectToday);
  const isRunning = holdsDay(span, today);
  const kept = before === null ? null : keptTogether(of.tracks, before);
  if (!isRunning || kept === null || kept.rate === null)
    return <Words tone="quiet">{isRunning ? 'Nothing is settled yet.' : 'Nothing was due in this span.'}</Words>;
  const words = `${spanTitle(kind, before!, today)}: ${percent(kept.rate)} kept, ${outOf(kept.kept, kept.asked)}.`;
  return (
    <View role="note" aria-label="In words">
      <Words type="name">Nothing is settled yet.</Words>
      <FigureWords asked={keptAsked(of, before!)} words={words} type="body" />
    </View>
  );
}

const useStyles = themed(() => ({
  facts: { gap: 2, maxWidth: 760 },
}));
