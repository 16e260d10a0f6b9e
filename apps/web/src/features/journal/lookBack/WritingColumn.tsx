import { type DaySpan, type LookBackSpan, monthOfDay, spanOfReview } from '@wimbel/core';
import { View } from 'react-native';
import { MonthAims } from '../../../components/journal/MonthAims.tsx';
import { PlannedThen, ReviewField, WinsAndLosses } from '../../../components/lookBack/ReviewFields.tsx';
import { selectSettings, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { SPACE } from '../../../theme/space.ts';
import { spanTitle } from '../../../text/spanText.ts';
import { useLookBack } from './useLookBack.ts';

/** The writing of a look back: what was meant to be done and whether it was, what went well, what did not, what is next. */
export function WritingColumn({ kind, span, onTyping }: { kind: LookBackSpan; span: DaySpan; onTyping: () => void }) {
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const { answers, planned, write, tell } = useLookBack(kind, span);
  const isLong = kind === 'quarter' || kind === 'year';
  const fields = { answers, write, onTyping };
  return (
    <View style={{ gap: SPACE.l }}>
      {planned === null ? null : (
        <PlannedThen after={spanTitle(kind, spanOfReview(planned, weekStart), today)} planned={planned} tell={tell} />
      )}
      <ReviewField {...fields} name="wentWell" label="What went well" />
      <ReviewField {...fields} name="gotInTheWay" label="What got in the way" />
      <ReviewField {...fields} name="nextTime" label="What to do next time" />
      {isLong ? <WinsAndLosses {...fields} /> : null}
      {kind === 'month' ? <MonthAims month={monthOfDay(span.last + 1)} /> : null}
    </View>
  );
}
