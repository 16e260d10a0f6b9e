import type { BenchPerson } from './onPage.ts';

const BATCH = 500;
const MS_PER_DAY = 86_400_000;

/**
 * Gives a person habits, in areas where there are any, kept on seven of ten days of a run of days. Habit n is due daily,
 * every third one three times a week, every fifth one ten times a month.
 */
export async function sendYear(
  person: BenchPerson,
  { habits, areas = 0, first, days }: { habits: number; areas?: number; first: string; days: number },
): Promise<void> {
  const schedules = [{ kind: 'perMonth', times: 10 }, { kind: 'perWeek', times: 3 }, { kind: 'daily' }];
  const scheduleOf = (index: number) =>
    areas === 0 ? schedules[2]! : index % 5 === 4 ? schedules[0]! : index % 3 === 2 ? schedules[1]! : schedules[2]!;
  await person.send(
    Array.from({ length: areas }, (_, index): [string, string, object] => [
      'areas',
      `a${index}`,
      { id: `a${index}`, name: `Area ${index + 1}`, order: index },
    ]),
  );
  const own = Array.from({ length: habits }, (_, index): [string, string, object] => [
    'habits',
    `h${index}`,
    {
      id: `h${index}`,
      name: `Habit ${index + 1}`,
      order: index,
      aim: 'build',
      partOfDay: 'any',
      measure: { kind: 'check' },
      terms: [{ from: first, schedule: scheduleOf(index) }],
      startsOn: first,
      ...(areas > 0 ? { areaId: `a${index % areas}` } : {}),
    },
  ]);
  for (let at = 0; at < own.length; at += BATCH) await person.send(own.slice(at, at + BATCH));
  let entries: [string, string, object][] = [];
  for (let index = 0; index < habits; index++) {
    for (let day = 0; day < days; day++) {
      if ((index * 7 + day * 13) % 10 >= 7) continue;
      const date = new Date(Date.parse(first) + day * MS_PER_DAY).toISOString().slice(0, 10);
      entries.push(['entries', `${date} h${index}`, { habitId: `h${index}`, day: date, mark: 'done' }]);
      if (entries.length < BATCH) continue;
      await person.send(entries);
      entries = [];
    }
  }
  if (entries.length > 0) await person.send(entries);
}
