import {
  type Habit,
  dayOf,
  daysAimedIn,
  doneBetween,
  habitNextYear,
  heldTerms,
  keptOver,
  termsOn,
  yearSpan,
} from '@wimbel/core';
import { View } from 'react-native';
import { counted, fullDate, percent } from '../../../text/format.ts';
import { selectSettings, selectToday, selectTrack } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useIsWide } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Card } from '../../../ui/Card.tsx';
import { Chips } from '../../../ui/Chips.tsx';
import { Field } from '../../../ui/Field.tsx';
import { Words } from '../../../ui/Words.tsx';
import { scheduleWords } from '../../../text/termsText.ts';
import {
  type HabitWish,
  type Often,
  OFTENS,
  type YearTurnDraft,
  asNow,
  daysFault,
  yearWishOf,
} from './yearTurnDraft.ts';

const oftenWords = (often: Often): string => {
  if (often === 'asNow') return 'As now';
  if (often === 'daily') return 'Every day';
  return often === 'over' ? 'No more' : `${often} a week`;
};

/** For each habit how often next year, and the days that makes beside last year's. */
export function HabitsOfYear({
  year,
  habits,
  draft,
  onChange,
}: {
  year: number;
  habits: readonly Habit[];
  draft: YearTurnDraft;
  onChange: (draft: YearTurnDraft) => void;
}) {
  const styles = useStyles();
  const isWide = useIsWide();
  if (habits.length === 0) return <Words tone="quiet">No habit goes on into this year.</Words>;
  return (
    <View style={[styles.list, isWide && styles.wide]}>
      {habits.map((habit) => (
        <HabitOfYear
          key={habit.id}
          habit={habit}
          year={year}
          wish={draft.habits[habit.id] ?? asNow}
          onChange={(wish) => onChange({ ...draft, habits: { ...draft.habits, [habit.id]: wish } })}
        />
      ))}
    </View>
  );
}

function HabitOfYear({
  habit,
  year,
  wish,
  onChange,
}: {
  habit: Habit;
  year: number;
  wish: HabitWish;
  onChange: (wish: HabitWish) => void;
}) {
  const styles = useStyles();
  const isWide = useIsWide();
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const track = useAppSelector((state) => selectTrack(state, habit.id));
  const last = yearSpan(year - 1);
  const first = track?.first ?? dayOf(habit.startsOn);
  const kept = track === null ? null : keptOver(track, last);
  const done = track === null ? 0 : doneBetween(track, last);
  const { schedule } = termsOn(heldTerms(habit.terms), Math.max(today, yearSpan(year).first));
  const planned = daysAimedIn(
    habitNextYear(habit, first, year, { ...yearWishOf(wish), days: null }, today),
    year,
    today,
    weekStart,
  );
  const fault = daysFault(wish.days);
  return (
    <Card style={[styles.card, isWide && styles.half]} label={habit.name}>
      <Words type="name" heading={2}>
        {habit.name}
      </Words>
      <Words type="quiet" tone="quiet">
        {[
          `Now ${scheduleWords(schedule)}`,
          kept === null || kept.asked === 0
            ? `nothing was due in ${year - 1}`
            : `${year - 1}: ${counted(done, 'day')} done, ${percent(kept.rate)} kept`,
        ].join('. ')}
      </Words>
      <Chips
        label={`${habit.name} in ${year}`}
        chips={OFTENS.map((value) => ({ value, label: oftenWords(value) }))}
        chosen={[wish.often]}
        onPress={(often) => onChange({ ...wish, often: often as Often })}
      />
      {wish.often === 'over' ? (
        <Words type="quiet" tone="quiet">
          {`It ends on ${fullDate(dayOf(habitNextYear(habit, first, year, yearWishOf(wish), today).endsOn!))}. Its record stays.`}
        </Words>
      ) : (
        <Field
          label={`Days of ${habit.name} in ${year}`}
          value={wish.days}
          placeholder={String(planned)}
          onChangeText={(days) => onChange({ ...wish, days })}
          inputMode="numeric"
          suffix="days"
          maxLength={3}
          {...(fault === null
            ? { hint: `That plans ${counted(planned, 'day')}. Write another number to aim at that instead.` }
            : { error: fault })}
        />
      )}
    </Card>
  );
}

const useStyles = themed(() => ({
  list: { gap: SPACE.m },
  wide: { flexDirection: 'row', flexWrap: 'wrap' },
  card: { gap: SPACE.s },
  half: { flexBasis: '45%', flexGrow: 1, minWidth: 0 },
}));
