import { type KeyResult, dayOf, formatMonth, monthOf, monthOfDay } from '@wimbel/core';
import { View } from 'react-native';
import { number } from '../../../text/amounts.ts';
import { monthAbbreviation, monthAndYear, monthYear } from '../../../text/format.ts';
import { selectFiguredGoals } from '../../../store/goalSelectors.ts';
import { selectGoals, selectKeyResults } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Field } from '../../../ui/Field.tsx';
import { FieldRow } from '../../../ui/FormPage.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { Words } from '../../../ui/Words.tsx';
import { targetWords } from '../../../text/goalText.ts';
import { type SeasonDraft, draftSpan, evenMonths, monthlyKeyResults, monthsOfDraft } from './seasonDraft.ts';

type Props = { draft: SeasonDraft; set: (part: Partial<SeasonDraft>) => void };

/** What each number or sum of money is to come to by the end of each month of the season. */
export function MonthsPage({ draft, set }: Props) {
  const goals = useAppSelector(selectGoals);
  const figured = useAppSelector(selectFiguredGoals);
  const keyResults = monthlyKeyResults(draft, [...useAppSelector(selectKeyResults), ...draft.keyResults]);
  const span = draftSpan(draft);
  if (span === null) return null;
  const months = Array.from(
    { length: monthOfDay(span.last) - monthOfDay(span.first) + 1 },
    (_, index) => monthOfDay(span.first) + index,
  );
  const put = (id: string, typed: Record<string, string>): void => set({ months: { ...draft.months, [id]: typed } });
  return keyResults.map((keyResult: KeyResult) => {
    const goal = [...goals, ...draft.goals].find(({ id }) => id === keyResult.goalId);
    const current = figured.get(keyResult.goalId)?.figures.keyResults[keyResult.id]?.current ?? startOf(keyResult);
    const due = keyResult.dueOn || goal?.dueOn;
    const typed = monthsOfDraft(draft, keyResult);
    return (
      <SectionCard key={keyResult.id} title={goal?.title ?? ''}>
        <View>
          <Words type="name">{keyResult.title}</Words>
          <Words type="quiet" tone="quiet">
            {`${targetWords(keyResult)}; ${number(current)} now`}
          </Words>
        </View>
        <FieldRow>
          {months.map((month) => (
            <View key={month} style={{ flexGrow: 1, flexBasis: 96, maxWidth: 150 }}>
              <Field
                label={`${monthAbbreviation(month)} ${monthYear(month)}`}
                spoken={`${keyResult.title}, ${monthAndYear(month)}`}
                value={typed[formatMonth(month)] ?? ''}
                inputMode="decimal"
                onChangeText={(value) => put(keyResult.id, { ...typed, [formatMonth(month)]: value })}
              />
            </View>
          ))}
        </FieldRow>
        <Button
          label={`Spread ${keyResult.title} evenly`}
          style={{ alignSelf: 'flex-start', marginTop: -SPACE.xs }}
          onPress={() =>
            put(keyResult.id, {
              // Months outside of the season stay as they are.
              ...Object.fromEntries(Object.entries(typed).filter(([month]) => !months.includes(monthOf(month)))),
              ...evenMonths(keyResult, { span, due: due ? dayOf(due) : null, current }),
            })
          }
        >
          Spread it evenly
        </Button>
      </SectionCard>
    );
  });
}

const startOf = ({ measure }: KeyResult): number => ('start' in measure ? measure.start : 0);
