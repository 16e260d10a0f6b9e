import { buildTrack, dayOf, spanReview } from '@wimbel/core';
import { render } from '@testing-library/react';
import Papa from 'papaparse';
import { pictureOf, pictureOfRows } from '../../../charts/savePicture.ts';
import { TODAY, aHabit } from '../../../testing/goalSamples.ts';
import { exportFileName } from '../../../text/fileName.ts';
import { reviewCsv } from './reviewCsv.ts';

const HEAD = { title: 'Every day', span: 'November 2026, "Bay" & <yard>', paper: '#fff', ink: '#000', quiet: '#555' };

describe('a picture that is saved', () => {
  const shown = () =>
    render(
      <div>
        <svg width={20} height={20}>
          <text>a sign</text>
        </svg>
        <svg width={300} height={100}>
          <circle cx={5} cy={5} r={4} />
          <text fontFamily="Own">Jan</text>
        </svg>
        <svg width={200} height={20}>
          <text>legend</text>
        </svg>
      </div>,
    ).container;

  it('holds its drawings one below the other, with title, span and legend', () => {
    const picture = pictureOf(shown(), HEAD)!;
    expect([picture.widthPx, picture.heightPx]).toEqual([348, 66 + 114 + 34 + 24]);
    const root = new DOMParser().parseFromString(picture.text, 'image/svg+xml').documentElement;
    expect([...root.querySelectorAll('text')].map((each) => each.textContent)).toEqual([
      'Every day',
      HEAD.span,
      'Jan',
      'legend',
    ]);
    expect([...root.querySelectorAll('svg')].map((each) => each.getAttribute('y'))).toEqual(['66', '180']);
    expect(root.querySelectorAll('text')[2]!.getAttribute('font-family')).toBe('Own, Figtree, sans-serif');
  });

  it('says below what its lines mean, in as many lines as it is wide for', () => {
    const bare = pictureOf(shown(), HEAD)!;
    const legend = [
      'Dotted is the pass mark, 85 %.',
      'The line is the year to date, and the outlined one is the month that still runs.',
    ];
    const picture = pictureOf(shown(), { ...HEAD, legend })!;
    const root = new DOMParser().parseFromString(picture.text, 'image/svg+xml').documentElement;
    const lines = [...root.querySelectorAll('text')].map((each) => each.textContent!).slice(4);
    expect(lines.join(' ')).toBe(legend.join(' '));
    expect(lines.length).toBeGreaterThan(2);
    expect(lines.every((line) => line.length <= 53)).toBe(true);
    expect(picture.heightPx).toBe(bare.heightPx + 18 * lines.length);
    // A narrow drawing stands in the middle above it.
    expect([picture.widthPx, root.querySelectorAll('svg')[1]!.getAttribute('x')]).toEqual([388, '94']);
  });

  it('is none where nothing is drawn', () => {
    expect(pictureOf(render(<p>words</p>).container, HEAD)).toBeNull();
  });

  it('of a list has a line and a bar for each, long names cut, more than all at the rim', () => {
    const rows = [
      { name: 'Scales', text: '3 of 4, 75 %', ratio: 0.75, color: '#123456' },
      { name: 'A very long name of a habit that goes on and on and on', text: '9 of 4', ratio: 2.25, color: '#654321' },
    ];
    const { text, heightPx } = pictureOfRows(rows, { ...HEAD, track: '#eee' });
    expect(heightPx).toBe(66 + 2 * 40 + 24);
    const root = new DOMParser().parseFromString(text, 'image/svg+xml').documentElement;
    const written = [...root.querySelectorAll('text')].map((each) => each.textContent!);
    expect(written.slice(2)).toEqual(['Scales', '3 of 4, 75 %', expect.stringMatching(/^A very.*…$/), '9 of 4']);
    expect(written[4]!.length).toBe(44);
    const filled = [...root.querySelectorAll('rect')].filter((rect) =>
      /#123456|#654321/.test(rect.getAttribute('fill')!),
    );
    expect(filled.map((rect) => rect.getAttribute('width'))).toEqual(['360', '480']);
  });

  it('has a name that any device takes', () => {
    expect(exportFileName(['Ada', null, '10 to 20 November', 'Cold swim: öl/海'], '2026-11-24', 'svg')).toBe(
      'wimbel-ada-10-to-20-november-cold-swim-öl-海-2026-11-24.svg',
    );
  });
});

describe('figures that are saved', () => {
  it('can be read back, names with commas and quotes too', () => {
    const habit = aHabit('h', { areaId: 'a' });
    const entries = ['02', '03'].map((day) => ({ habitId: 'h', day: `2026-11-${day}`, mark: 'done' as const }));
    const review = spanReview([buildTrack(habit, entries, TODAY, 'monday')], {
      kind: 'month',
      span: { first: dayOf('2026-11-01'), last: dayOf('2026-11-30') },
      weekStart: 'monday',
      passMark: 0.85,
      today: TODAY,
    });
    const csv = reviewCsv(review, { habitOf: () => 'Scales, "slow"', areaOf: () => 'Cello' });
    const { data } = Papa.parse<Record<string, string>>(csv, { header: true });
    expect(data.filter(({ what }) => what === 'habit')).toMatchObject([
      {
        name: 'Scales, "slow"',
        done: '2',
        kept: '2',
        asked: '23',
        rank: '1',
        from: '2026-11-01',
        to: '2026-11-30',
      },
    ]);
    expect(data.find(({ what }) => what === 'area')).toMatchObject({ name: 'Cello', done: '2' });
    expect(data.filter(({ what }) => what === 'part')).toHaveLength(6);
    expect(data.filter(({ what }) => what === 'weekday')).toHaveLength(7);
    // What has no share is empty, not zero.
    expect(data.findLast(({ what }) => what === 'part')!.rate).toBe('');
    expect(Number(data.find(({ what }) => what === 'all')!.rate)).toBeCloseTo(2 / 23, 12);
  });
});
