import { holdsDay } from '@wimbel/core';
import { selectSettings, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Card } from '../../../ui/Card.tsx';
import { CardHead } from '../../../ui/CardHead.tsx';
import { MOODS, moodWord } from '../../../text/moodText.ts';
import type { OfMoods } from './MoodsCard.tsx';
import { Row } from './FeelingsCard.tsx';

/** How many days had each mood, the best first. */
export function MoodCounts({ span, moods }: OfMoods) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const settings = useAppSelector(selectSettings);
  const counts = MOODS.map(
    (mood) =>
      [...moods].filter(([day, each]) => holdsDay(span, day) && day <= today && Math.round(each) === mood).length,
  );
  const most = Math.max(1, ...counts);
  return (
    <Card style={styles.card} label="Days by mood">
      <CardHead title="Days by mood" />
      {[...MOODS].reverse().map((mood) => (
        <Row
          key={mood}
          name={moodWord(settings, mood)}
          ratio={counts[mood - 1]! / most}
          value={String(counts[mood - 1])}
        />
      ))}
    </Card>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.m },
}));
