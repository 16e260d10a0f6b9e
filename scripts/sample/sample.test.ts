import {
  dayOf,
  rememberedOn,
  reportOf,
  reviewOfSeason,
  reviewOfSeasonWeek,
  seasonLaidOver,
  seasonWeekOn,
} from '@wimbel/core';
import { dataFileOf, readDataFile, writeDataFile } from '@wimbel/exchange';
import { sampleRecords } from './generate.ts';

const TODAY = dayOf('2026-11-24');

describe('the sample person', () => {
  it('is the same to the letter for the same day', () => {
    const write = () => writeDataFile(dataFileOf(sampleRecords(TODAY)));
    expect(write()).toBe(write());
    expect(write()).not.toBe(writeDataFile(dataFileOf(sampleRecords(TODAY + 1))));
  });

  it.each(['2026-11-24', '2024-02-29', '2025-12-31', '2026-01-01', '2027-07-04'])(
    'is a good data file as of %s',
    (day) => {
      expect(readDataFile(dataFileOf(sampleRecords(dayOf(day)))).issues).toEqual([]);
    },
  );

  it('looks lived-in: every schedule and measure, a pause, new terms, misses with reasons, ended and archived habits', () => {
    const { habits, entries, habitNotes } = sampleRecords(TODAY);
    expect(new Set(habits.flatMap((habit) => habit.terms.map((each) => each.schedule.kind)))).toEqual(
      new Set(['daily', 'weekdays', 'interval', 'perWeek', 'perMonth']),
    );
    expect(new Set(habits.map((habit) => `${habit.aim} ${habit.measure.kind}`))).toEqual(
      new Set(['build check', 'build amount', 'quit check', 'quit amount']),
    );
    expect(habits.some((habit) => habit.pauses?.length)).toBe(true);
    expect(habits.some((habit) => habit.terms.length > 1)).toBe(true);
    expect(habits.some((habit) => habit.archived) && habits.some((habit) => habit.endsOn && !habit.archived)).toBe(
      true,
    );
    const finished = habits.filter((habit) => habit.finishLine);
    expect(finished.map((habit) => reportOf(sampleRecords(TODAY), TODAY).habits[habit.id]!.finishedOn)).not.toContain(
      null,
    );
    expect(habits.some((habit) => habit.monthTargets && habit.yearTargets)).toBe(true);
    expect(habits.some((habit) => habit.pauses?.some((pause) => pause.from > '2026-11-24'))).toBe(true);
    expect(new Set(entries.flatMap((entry) => (entry.parts ?? []).map((part) => part.variantId))).size).toBe(4);
    expect(habitNotes.some((note) => note.link)).toBe(true);
    expect(entries.filter((entry) => entry.mark === 'missed' && entry.note).length).toBeGreaterThan(20);
    expect(entries.every((entry) => entry.day <= '2026-11-24')).toBe(true);
  });

  it('has goals of every kind, pace and state, with steps and milestones in every state', () => {
    const records = sampleRecords(TODAY);
    const { goals, months } = reportOf(records, TODAY);
    expect(new Set(records.goals.map((goal) => goal.state))).toEqual(new Set(['open', 'reached', 'paused', 'dropped']));
    expect(new Set(records.keyResults.map(({ measure }) => measure.kind))).toEqual(
      new Set(['number', 'money', 'yesNo', 'steps', 'habitDays', 'habitAmount']),
    );
    expect(Object.fromEntries(Object.entries(goals).map(([id, { pace }]) => [id, pace]))).toMatchObject({
      island: 'onPace',
      'swim-bay': 'behind',
      harbour: 'overdue',
      market: 'reached',
    });
    const keyResults = Object.values(goals).flatMap((goal) => Object.values(goal.keyResults));
    expect(new Set(keyResults.map(({ pace }) => pace))).toEqual(
      new Set(['reached', 'overdue', 'ahead', 'behind', 'onPace']),
    );
    expect(keyResults.some(({ checkpoints }) => checkpoints.some(({ reached }) => reached))).toBe(true);
    expect(new Set(Object.values(goals).flatMap(({ steps }) => Object.values(steps)))).toEqual(
      new Set(['doneInTime', 'doneLate', 'overdue', 'dueSoon', 'open']),
    );
    expect(records.milestones.some((each) => each.after?.length) && records.quotes.length > 0).toBe(true);
    expect(months['2026-05']!.share!).toBeGreaterThan(months['2026-01']!.share!);
  });

  it('has rewards, one put away, and claims, one of which once went below zero', () => {
    const records = sampleRecords(TODAY);
    const { pips } = reportOf(records, TODAY);
    expect(records.rewards.map(({ retired }) => retired === true)).toContain(true);
    expect(pips.balance).toBeGreaterThan(0);
    const { day } = records.claims.at(-1)!;
    expect(reportOf(records, dayOf(day)).pips.balance).toBeLessThan(0);
  });

  it('looks back with gaps: weeks left out, every month, a quarter, a year, and what was meant for this week', () => {
    const { reviews } = sampleRecords(TODAY);
    const of = (span: string) => reviews.filter((each) => each.span === span && !each.seasonId);
    expect(of('month').map(({ from }) => from.slice(0, 7))).toHaveLength(13);
    expect([of('quarter').length, of('year').length]).toEqual([1, 1]);
    expect(of('week').length).toBeGreaterThan(25);
    expect(of('week').length).toBeLessThan(50);
    expect(rememberedOn(reviews, TODAY, 'monday').map(({ kind }) => kind)).toEqual(['week']);
  });

  it('has two seasons that are over and one in its fifth week, with gaps, and a week far below the mark with its reason', () => {
    const records = sampleRecords(TODAY);
    const { seasons } = reportOf(records, TODAY);
    const standing = records.seasons.map((season) => seasonWeekOn(season, TODAY));
    expect(standing).toEqual([null, null, 4]);
    const running = records.seasons[2]!;
    const scores = seasons[running.id]!.weeks.slice(0, 4).map(({ score }) => score!);
    const worst = scores.indexOf(Math.min(...scores));
    expect(scores[worst]).toBeLessThan(running.passMark! - 0.3);
    expect(reviewOfSeasonWeek(records.reviews, running, worst)?.answers.gotInTheWay).toBeTruthy();
    const written = scores.map((_, week) => reviewOfSeasonWeek(records.reviews, running, week) !== null);
    expect([written.includes(true), written.includes(false)]).toEqual([true, true]);
    for (const season of records.seasons) {
      expect(seasonLaidOver(records.seasons, season)).toBeNull();
      expect(reviewOfSeason(records.reviews, season) !== null).toBe(season !== running);
    }
  });
});
