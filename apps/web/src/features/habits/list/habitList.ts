import type { Area, Habit } from '@wimbel/core';
import { type LineHabit, habitOfLine } from '@wimbel/exchange';
import { PART_WORDS } from '../../../text/format.ts';
import { scheduleWords } from '../../../text/termsText.ts';
import { amount } from '../../../text/amounts.ts';

/** How many habits are added at once at most. */
export const MOST_LINES = 200;
const LONGEST_NAME = 120;

/** A line as it is understood; `fault` says what keeps it from being added, `hint` what one may want to know. */
export type UnderstoodLine = { habit: LineHabit; fault: string | null; hint: string | null };

const sameName = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

/** Parses each line of a text; lines without a name are left out. `names` are those of existing habits. */
export function understoodLines(text: string, areas: readonly Area[], names: readonly string[]): UnderstoodLine[] {
  const seen = [...names];
  return text.split('\n').flatMap((line): UnderstoodLine[] => {
    const habit = habitOfLine(line, areas);
    if (habit === null) return [];
    const isDouble = seen.some((name) => sameName(name, habit.name));
    seen.push(habit.name);
    return [
      {
        habit,
        fault: habit.name.length > LONGEST_NAME ? `Keep the name under ${LONGEST_NAME} characters` : null,
        hint: isDouble ? 'You have a habit of this name already' : null,
      },
    ];
  });
}

/** What was understood of a line beside its name: "3 days a week, at least 20 min, Evening". */
export function lineWords(
  { schedule, amount: much, partOfDay, aim, areaId }: LineHabit,
  areas: readonly Area[],
): string {
  const limit =
    much === null ? '' : `${much.limit === 'atLeast' ? 'at least' : 'at most'} ${amount(much.value, much.unit)}`;
  return [
    aim === 'quit' ? 'to quit' : '',
    scheduleWords(schedule),
    limit,
    partOfDay === 'any' ? '' : PART_WORDS[partOfDay].toLowerCase(),
    areas.find(({ id }) => id === areaId)?.name ?? '',
  ]
    .filter(Boolean)
    .join(', ');
}

/** The habit that a line makes. */
export function habitFromLine(line: LineHabit, own: { id: string; order: number; startsOn: string }): Habit {
  const { name, aim, schedule, partOfDay, amount: much, areaId } = line;
  return {
    id: own.id,
    name,
    order: own.order,
    aim,
    partOfDay,
    measure: much === null ? { kind: 'check' } : { kind: 'amount', unit: much.unit, step: much.step },
    terms: [{ from: own.startsOn, schedule, ...(much === null ? {} : { [much.limit]: much.value }) }],
    startsOn: own.startsOn,
    ...(areaId === null ? {} : { areaId }),
  };
}
