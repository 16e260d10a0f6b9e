import { type Goal, parseDay } from '@wimbel/core';
import { View } from 'react-native';
import { counted, dateNear, percent, weekdayName } from '../../../text/format.ts';
import { selectSettings, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { Chips } from '../../../ui/Chips.tsx';
import { Field, Labelled } from '../../../ui/Field.tsx';
import { FieldRow } from '../../../ui/FormPage.tsx';
import { Words } from '../../../ui/Words.tsx';
import { EASY_GOALS } from '../../../text/goalText.ts';
import { type SeasonDraft, draftSpan } from './seasonDraft.ts';
import type { SeasonFaults } from './useSeasonDraft.ts';

type SeasonFieldsProps = {
  draft: SeasonDraft;
  set: (part: Partial<SeasonDraft>) => void;
  faults: SeasonFaults;
};

/** What life looks like some years on, and why it is worth hard weeks. */
export function VisionFields({ draft, set }: SeasonFieldsProps) {
  return (
    <>
      <Field
        label="Vision"
        value={draft.vision}
        onChangeText={(vision) => set({ vision })}
        multiline
        maxLength={5000}
        placeholder="In three summers she sails to the outer island with a cello on board."
        hint="What life looks like some years on."
      />
      <Field
        label="Why it is worth hard weeks"
        value={draft.why}
        onChangeText={(why) => set({ why })}
        multiline
        maxLength={5000}
        hint="You will read this in a hard week."
      />
    </>
  );
}

const SOME_WEEKS = [4, 6, 8, 12, 16];

/** Its title, first day and number of weeks, with its last day. */
export function DaysFields({ draft, set, faults }: SeasonFieldsProps) {
  const { passMark } = useAppSelector(selectSettings);
  const today = useAppSelector(selectToday);
  const span = draftSpan(draft);
  return (
    <>
      <Field
        label="Title"
        value={draft.title}
        onChangeText={(title) => set({ title })}
        placeholder="The winter bench"
        maxLength={200}
        error={faults.title}
      />
      <FieldRow>
        <View style={{ flex: 1, minWidth: 150 }}>
          <Field
            label="First day"
            value={draft.startsOn}
            onChangeText={(startsOn) => set({ startsOn })}
            isDate
            error={faults.startsOn}
            {...(parseDay(draft.startsOn) === null
              ? {}
              : { hint: `Its weeks begin on a ${weekdayName(parseDay(draft.startsOn)!)}.` })}
          />
        </View>
        <View style={{ flex: 1, minWidth: 110 }}>
          <Field
            label="Weeks"
            value={draft.weeks}
            onChangeText={(weeks) => set({ weeks })}
            inputMode="numeric"
            error={faults.weeks}
          />
        </View>
        <View style={{ flex: 1, minWidth: 110 }}>
          <Field
            label="Pass mark"
            value={draft.passMark}
            onChangeText={(mark) => set({ passMark: mark })}
            inputMode="decimal"
            suffix="%"
            error={faults.passMark}
            hint={`Empty: yours, ${percent(passMark)}.`}
          />
        </View>
      </FieldRow>
      <Chips
        label="So many weeks"
        chips={SOME_WEEKS.map((weeks) => ({ value: String(weeks), label: counted(weeks, 'week') }))}
        chosen={[draft.weeks]}
        onPress={(weeks) => set({ weeks })}
      />
      {span === null ? null : (
        <Words>{`Its last day is ${weekdayName(span.last)} ${dateNear(span.last, today)}.`}</Words>
      )}
    </>
  );
}

/** Which of the goals there are belong to it; a fourth gets a hint. */
export function GoalChips({
  draft,
  set,
  goals,
}: Pick<SeasonFieldsProps, 'draft' | 'set'> & { goals: readonly Goal[] }) {
  const { goalIds } = draft;
  return (
    <>
      {goals.length === 0 ? null : (
        <Labelled label="Goals">
          <Chips
            label="Goals"
            isMultiple
            chips={goals.map(({ id, title }) => ({ value: id, label: title }))}
            chosen={goalIds}
            onPress={(id) =>
              set({ goalIds: goalIds.includes(id) ? goalIds.filter((each) => each !== id) : [...goalIds, id] })
            }
          />
        </Labelled>
      )}
      {goalIds.length > EASY_GOALS ? (
        <Words type="quiet" tone="brassText">
          {`${goalIds.length} goals share these weeks. With three or fewer each gets enough of them.`}
        </Words>
      ) : null}
    </>
  );
}
