import fc from 'fast-check';
import type { Goal, Habit, Season } from './records.ts';
import { aHabit } from '../testing/samples.ts';
import { partText, wholeText } from './twoTexts.ts';
import { mergedRecord } from './mergeFields.ts';

const habit = (more: Partial<Habit> = {}): Habit =>
  aHabit({ terms: [{ from: '2026-11-01', schedule: { kind: 'daily' } }], startsOn: '2026-11-01', ...more });
const merged = (base: Habit, earlier: Habit, late: Habit): Habit => mergedRecord('habits', base, earlier, late);

describe('one record of what two devices made of it', () => {
  it('has the new name of one and the pause of the other', () => {
    const base = habit();
    const named = habit({ name: 'Slow bow' });
    const paused = habit({ pauses: [{ from: '2026-11-20', to: '2026-11-24' }] });
    const both = habit({ name: 'Slow bow', pauses: paused.pauses });
    expect(merged(base, named, paused)).toEqual(both);
    expect(merged(base, paused, named)).toEqual(both);
  });

  it('has the later of what both changed, and what one took away is gone', () => {
    const base = habit({ areaId: 'a', icon: 'music' });
    const { icon: _, ...without } = base;
    expect(merged(base, { ...base, areaId: 'b' }, { ...without, areaId: 'c' })).toEqual(habit({ areaId: 'c' }));
    expect(merged(base, without, { ...base, areaId: 'c' })).toEqual(habit({ areaId: 'c' }));
  });

  it('takes lists item by item: added by either, taken away by either, changed by the later', () => {
    const terms = (day: string, pips?: number): Habit['terms'][number] => ({
      from: `2026-11-${day}`,
      schedule: { kind: 'daily' },
      ...(pips === undefined ? {} : { pips }),
    });
    const base = habit({ terms: [terms('01'), terms('10'), terms('12')] });
    const earlier = habit({ terms: [terms('01', 1), terms('10'), terms('20')] });
    const late = habit({ terms: [terms('01', 2), terms('12'), terms('15')] });
    expect(merged(base, earlier, late).terms).toEqual([terms('01', 2), terms('15'), terms('20')]);
  });

  it('takes targets month by month', () => {
    const base = habit({ monthTargets: { '2026-10': { days: 20 }, '2026-11': { days: 20 } } });
    const earlier = habit({ monthTargets: { '2026-10': { days: 20 }, '2026-11': { days: 25 } } });
    const late = habit({ monthTargets: { '2026-11': { days: 20 }, '2026-12': { days: 10 } } });
    expect(merged(base, earlier, late).monthTargets).toEqual({ '2026-11': { days: 25 }, '2026-12': { days: 10 } });
  });

  it('shows the later of two long texts with the other beside it, and one that holds the other once', () => {
    const base = habit({ note: 'Slow' });
    const of = (earlier: string | undefined, late: string | undefined): string | undefined =>
      merged(base, habit({ note: earlier }), habit({ note: late })).note;
    const beside = (text: string, ...others: string[]): string => wholeText({ text, others });
    expect(of('Slower, with the radio off', 'Quick')).toBe(beside('Quick', 'Slower, with the radio off'));
    expect(of('Slow, with the radio', 'Slower')).toBe(beside('Slower', 'Slow, with the radio'));
    // What both wrote on from, in lines of their own, stands once.
    expect(of('Slow\nOn Monday', 'Slow\nOn Tuesday')).toBe(beside('Slow\nOn Tuesday', 'On Monday'));
    expect(of('Slow, with the radio', 'Slow, with the radio on')).toBe('Slow, with the radio on');
    expect(of('Slow bow, long notes', 'Slow bow')).toBe('Slow bow, long notes');
    expect(of('Slow', undefined)).toBeUndefined();
    expect(of('Slow bow', ' ')).toBe('Slow bow');
    expect(of(undefined, 'Slow bow')).toBe('Slow bow');
  });

  it('takes what belongs together from one side', () => {
    const base: Goal = { id: 'g', title: 'Sail', startsOn: '2026-01-01', dueOn: '2026-12-31', state: 'open', order: 0 };
    const closed: Goal = { ...base, state: 'reached', closedOn: '2026-11-20' };
    const dropped: Goal = { ...base, state: 'dropped', closedOn: '2026-11-22' };
    expect(mergedRecord('goals', base, closed, dropped)).toEqual(dropped);
    // Another day and a new title do not meet.
    const moved = { ...base, dueOn: '2027-03-01' };
    expect(mergedRecord('goals', base, moved, { ...base, title: 'Sail home' })).toEqual({
      ...moved,
      title: 'Sail home',
    });
    // One changed how it is counted, the other what is asked: that goes only whole.
    const amount = habit({ measure: { kind: 'amount', unit: 'min', step: 5 }, terms: [{ ...base0(), atLeast: 10 }] });
    const twice = habit({ terms: [{ from: '2026-11-01', schedule: { kind: 'perWeek', times: 2 } }] });
    expect(merged(habit(), twice, amount)).toEqual(amount);
    expect(merged(habit(), amount, twice)).toEqual(twice);
  });

  it('joins the goals of a season and its notes', () => {
    const base: Season = { id: 's', title: 'Winter', startsOn: '2026-10-26', weeks: 12, goalIds: ['a', 'b'] };
    const earlier = { ...base, goalIds: ['b', 'c'], notes: [{ text: 'One' }] };
    const late = { ...base, goalIds: ['a', 'b', 'd'], weeks: 10, notes: [{ text: 'Two' }] };
    expect(mergedRecord('seasons', base, earlier, late)).toEqual({
      ...base,
      weeks: 10,
      goalIds: ['b', 'd', 'c'],
      notes: [{ text: 'Two' }, { text: 'One' }],
    });
  });
});

const base0 = (): Habit['terms'][number] => ({ from: '2026-11-01', schedule: { kind: 'daily' } });

describe('of any two versions', () => {
  const optional = <T>(value: fc.Arbitrary<T>) => fc.option(value, { nil: undefined });
  const word = fc.constantFrom('a', 'b', 'c');
  const arb = fc
    .record({
      name: word,
      areaId: optional(word),
      icon: optional(word),
      note: optional(word),
      archived: optional(fc.boolean()),
      pauses: optional(fc.uniqueArray(fc.constantFrom('2026-11-02', '2026-11-05', '2026-11-09'))),
      targets: fc.dictionary(fc.constantFrom('2026-10', '2026-11'), fc.integer({ min: 1, max: 3 })),
    })
    .map(
      ({ pauses, targets, ...more }) =>
        // As it is read from the wire: nothing stands for what is left out.
        JSON.parse(
          JSON.stringify(
            habit({
              ...more,
              ...(pauses?.length ? { pauses: pauses.sort().map((from) => ({ from, to: from })) } : {}),
              ...(Object.keys(targets).length > 0
                ? {
                    monthTargets: Object.fromEntries(Object.entries(targets).map(([month, days]) => [month, { days }])),
                  }
                : {}),
            } as Partial<Habit>),
          ),
        ) as Habit,
    );

  it('what only one side changed is as that side has it, field by field', () => {
    fc.assert(
      fc.property(arb, arb, arb, (base, earlier, late) => {
        const result = merged(base, earlier, late) as Record<string, unknown>;
        for (const field of ['name', 'areaId', 'icon', 'archived'] as const) {
          const isMine = late[field] !== base[field];
          expect(result[field]).toEqual(isMine ? late[field] : earlier[field]);
        }
      }),
    );
  });

  it('a side that changed nothing changes nothing', () => {
    fc.assert(
      fc.property(arb, arb, (base, other) => {
        expect(merged(base, base, other)).toEqual(other);
        expect(merged(base, other, base)).toEqual(other);
        expect(merged(base, other, other)).toEqual(other);
      }),
    );
  });

  it('no word of a note is lost that either side wrote', () => {
    fc.assert(
      fc.property(arb, arb, arb, (base, earlier, late) => {
        const { note = '' } = merged(base, earlier, late);
        for (const side of [earlier, late])
          if (side.note !== undefined && side.note !== base.note) expect(note).toContain(side.note);
      }),
    );
  });

  it('a line that the later took away does not come back, and none stands twice', () => {
    const noted = (note: string): Habit => habit({ note });
    const was = noted('Slow\nRosin first');
    const beside = wholeText({ text: 'Slow bow', others: ['New string'] });
    expect(merged(was, noted('Slow\nRosin first\nNew string'), noted('Slow bow')).note).toBe(beside);
    expect(merged(was, noted('Slow\nRosin first\nbow'), noted('Slow bow')).note).toBe('Slow bow');
  });

  it('a note that two sides write on again and again does not grow by being put together', () => {
    const noted = (note: string): Habit => habit({ note });
    let [a, b] = ['Slow', 'Slow'];
    for (let round = 0; round < 12; round++) {
      const [one, other] = [noted(`${a}\nleft ${round}`), noted(`${b}\nright ${round}`)];
      // Each has what the other wrote put below its own, and neither has seen what the other made of it.
      [a, b] = [merged(noted(a), other, one).note!, merged(noted(b), one, other).note!];
    }
    for (const whole of [a, b]) {
      const { text, others } = partText(whole);
      const lines = [text, ...others].flatMap((each) => each.split('\n')).filter((each) => each !== '');
      expect(new Set(lines).size).toBe(lines.length);
      expect(lines).toHaveLength(25);
    }
  });
});
