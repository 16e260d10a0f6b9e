import { type PlainDay, dayMarkOf, doneHabitsOn, formatDay, scoreOn } from '@wimbel/core';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { Figure } from '../../components/figure/Figure.tsx';
import { number } from '../../text/amounts.ts';
import { percent } from '../../text/format.ts';
import { writeLocalSetting, readLocalSetting } from '../../platform/localSettings.ts';
import { selectEarnedOn, selectHasPips } from '../../store/pipsSelectors.ts';
import { selectDayMarks, selectSettings, selectTotals } from '../../store/selectors.ts';
import { useAppSelector, useDeferredSelector } from '../../store/store.ts';
import { themed, useIsWide } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Shavings } from '../../ui/Shavings.tsx';
import { useToast } from '../../ui/Toast.tsx';
import { Words } from '../../ui/Words.tsx';
import { pipsWords } from '../../text/pipsText.ts';
import type { TodayPlan } from './todaySections.ts';

/** "4 to go today", what comes next, and the day's score with the two numbers behind it and its mark. */
export function LeftLine({
  day,
  isToday,
  plan,
  aside,
}: {
  day: PlainDay;
  isToday: boolean;
  plan: TodayPlan;
  aside: ReactNode;
}) {
  const styles = useStyles();
  const isWide = useIsWide();
  const { passMark } = useAppSelector(selectSettings);
  const marks = useAppSelector(selectDayMarks);
  const totals = useDeferredSelector(selectTotals);
  const { done, due, score, full } = scoreOn(totals, day, passMark);
  const mark = dayMarkOf(marks, doneHabitsOn(totals, day));
  const { toGo, missed, next } = plan;
  const isComplete = full && toGo === 0;
  const isCelebrated = useOnceFull(day, isToday && isComplete);
  const words =
    toGo > 0
      ? `${toGo} to go${isToday ? ' today' : ''}`
      : full
        ? 'A full day'
        : isToday
          ? 'Nothing left today'
          : 'Nothing left';
  return (
    <View style={[styles.left, isWide && styles.leftWide]} role="status">
      <View style={styles.leftWords}>
        <Words type="section" heading={2}>
          {words}
        </Words>
        {isToday && next !== null && toGo > 1 ? (
          <Words type="quiet" tone="quiet" numberOfLines={2}>
            Next: {next.habit.name}
          </Words>
        ) : null}
        {isCelebrated ? <Shavings /> : null}
      </View>
      {score === null ? null : (
        <View style={styles.score}>
          <Figure asked={{ figure: 'dayScore', day }} label={`${done} of ${due}, ${percent(score)}`}>
            <Words tone="quiet">
              {done} of {due}, <Words type="strong">{percent(score)}</Words>
            </Words>
          </Figure>
          <EarnedToday day={day} />
          {missed > 0 ? <Words tone="quiet">{missed} missed</Words> : null}
          {mark === null ? null : (
            <Words type="strong" tone="brassText" label={`Day mark ${mark}`}>
              {mark}
            </Words>
          )}
        </View>
      )}
      {aside ? <View style={styles.aside}>{aside}</View> : null}
    </View>
  );
}

/** What the day earned, left out where it earned nothing or pips are left off. */
function EarnedToday({ day }: { day: PlainDay }) {
  const settings = useAppSelector(selectSettings);
  const earned = useAppSelector((state) => (selectHasPips(state) ? selectEarnedOn(state, day) : 0));
  if (earned === 0) return null;
  return (
    <Words type="label" tone="brassText" label={`${pipsWords(settings, earned)} earned`}>
      {`+${number(earned)}`}
    </Words>
  );
}

/** Says once, on the day itself, that everything asked is done; true while it does. */
function useOnceFull(day: PlainDay, isFull: boolean): boolean {
  const toast = useToast();
  const was = useRef({ day, isFull });
  const [celebrated, setCelebrated] = useState<PlainDay | null>(null);
  useEffect(() => {
    const { day: dayBefore, isFull: before } = was.current;
    was.current = { day, isFull };
    if (!isFull || before || dayBefore !== day || readLocalSetting('fullDay') === formatDay(day)) return;
    writeLocalSetting('fullDay', formatDay(day));
    toast({ text: 'Everything due today is done. Well done.' });
    const timer = setTimeout(() => setCelebrated(day), 0);
    return () => clearTimeout(timer);
  }, [day, isFull, toast]);
  return isFull && celebrated === day;
}

const useStyles = themed(() => ({
  left: { flexDirection: 'row', alignItems: 'baseline', justifyContent: 'space-between' },
  leftWide: { justifyContent: 'flex-start', gap: SPACE.l },
  aside: { marginLeft: 'auto', alignSelf: 'center' },
  leftWords: { flexShrink: 1, gap: 2 },
  score: { flexDirection: 'row', alignItems: 'baseline', flexWrap: 'wrap', justifyContent: 'flex-end', gap: SPACE.s },
}));
