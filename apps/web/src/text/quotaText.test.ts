import { QUOTA } from '@wimbel/contract';
import { quotaText } from './quotaText.ts';

const MB = 1024 * 1024;
const of = (bytes: number, records: object = {}) => quotaText({ usage: { bytes, records }, quota: QUOTA });

it('says how much room an account takes', () => {
  expect(of(0)).toEqual({ text: 'Your account takes 0.1 MB of 200 MB.', isNearlyFull: false });
  expect(of(1.24 * MB, { entries: 20_000 }).text).toBe('Your account takes 1.2 MB of 200 MB.');
});

it('says before it is full what runs out, and when it is', () => {
  const nearly = of(170 * MB);
  expect(nearly.isNearlyFull).toBe(true);
  expect(nearly.text).toMatch(
    /^Your account takes 170 MB of 200 MB\. 85\s% of the room is used\. Delete what you no longer need, or keep it in a data file\.$/,
  );
  expect(of(2 * MB, { journal: 30_000 }).text).toContain('There is no more room for journal pages.');
  expect(of(2 * MB, { habits: 1700 }).text).toMatch(/85\s% of the room for habits is used\./);
});
