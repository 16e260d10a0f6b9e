import { feelingFigures, holdsDay, dayOf } from '@wimbel/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { counted } from '../../../text/format.ts';
import { selectJournal, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Card } from '../../../ui/Card.tsx';
import { CardHead } from '../../../ui/CardHead.tsx';
import { Words } from '../../../ui/Words.tsx';
import type { OfMoods } from './MoodsCard.tsx';

/** So many feelings are shown before the others are asked for. */
const MOST_FEELINGS = 12;

/** Feelings by the days they were written on, with the mean mood of those days. */
export function FeelingsCard({ span, moods }: OfMoods) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const journal = useAppSelector(selectJournal);
  const figures = useMemo(() => {
    const within = journal.filter(({ day }) => holdsDay(span, dayOf(day)));
    return [...feelingFigures(within, moods, today)].sort((a, b) => b[1].days - a[1].days || a[0].localeCompare(b[0]));
  }, [journal, moods, span, today]);
  if (figures.length === 0) return null;
  const most = figures[0]![1].days;
  return (
    <Card style={styles.card} label="Feelings">
      <CardHead title="Feelings" aside="days, mean mood" />
      {figures.slice(0, MOST_FEELINGS).map(([feeling, { days, mood }]) => (
        <Row
          key={feeling}
          name={feeling}
          ratio={days / most}
          value={`${counted(days, 'day')}${mood === null ? '' : `, ${mood.toFixed(1)}`}`}
        />
      ))}
    </Card>
  );
}

export function Row({ name, ratio, value }: { name: string; ratio: number; value: string }) {
  const styles = useStyles();
  return (
    <View style={styles.row}>
      <Words style={styles.name}>{name}</Words>
      <View style={styles.room}>
        <View style={[styles.bar, { width: `${ratio * 100}%` }]} />
      </View>
      <Words type="quiet" tone="quiet" style={styles.value}>
        {value}
      </Words>
    </View>
  );
}

const useStyles = themed((colors) => ({
  card: { gap: SPACE.m },
  row: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s },
  name: { width: 92 },
  room: { flex: 1, height: 6, borderRadius: 3, backgroundColor: colors.hole },
  bar: { height: 6, borderRadius: 3, backgroundColor: colors.brass },
  value: { minWidth: 32, textAlign: 'right' },
}));
