import { spanReview, yearSpan } from '@wimbel/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { selectSettings, selectToday, selectTracks } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { GoalsMovedCard } from '../../../components/lookBack/GoalsMovedCard.tsx';
import { SumCard } from '../lookBack/SumCard.tsx';

export function LastYear({ year }: { year: number }) {
  const styles = useStyles();
  const tracks = useAppSelector(selectTracks);
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const span = useMemo(() => yearSpan(year), [year]);
  const review = useMemo(
    () => spanReview(tracks, { kind: 'year', span, weekStart, today }),
    [tracks, span, weekStart, today],
  );
  return (
    <View style={styles.body}>
      <SumCard kind="year" span={span} review={review} />
      <GoalsMovedCard span={span} />
    </View>
  );
}

const useStyles = themed(() => ({
  body: { gap: SPACE.xl, maxWidth: 640, width: '100%' },
}));
