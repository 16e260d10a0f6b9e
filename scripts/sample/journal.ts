import {
  type JournalAnswer,
  type JournalPage,
  type Mood,
  type MonthPage,
  type PlainDay,
  type Prompt,
  formatDay,
  formatMonth,
  monthOfDay,
  partsOfDay,
  weekdayOf,
} from '@wimbel/core';
import seedrandom from 'seedrandom';

const SEED = 'sun over the sea';
const MONTHS_BACK = 13;

/** What the journal asks: a checklist in the morning, three lines and a text in the evening, and one no longer asked. */
export const PROMPTS: Prompt[] = [
  { id: 'finish', text: 'What has to be finished today?', part: 'morning', kind: 'checklist', active: true, order: 0 },
  { id: 'good', text: 'Three good things', part: 'evening', kind: 'list', size: 3, active: true, order: 1 },
  { id: 'tomorrow', text: 'What would make tomorrow better?', part: 'evening', kind: 'text', active: true, order: 2 },
  { id: 'weather', text: 'What is the weather doing?', part: 'morning', kind: 'text', active: false, order: 3 },
];

/** How the months of the year go, January first: a winter slump, a good spring. */
const SPIRITS = [-0.5, -0.4, 0, 0.4, 0.5, 0.4, 0.3, 0.2, 0.2, 0, -0.2, -0.4];

const WORDS: readonly [word: string, ...aims: string[]][] = [
  ['slow is smooth', 'Bow before phone', 'Say yes to the boat', 'One thing at a time'],
  ['dry wood', 'Varnish only below 60 %', 'Home before dark'],
  ['ears open', 'Listen before playing', 'Ask Olwen about the tides'],
  ['begin again', 'Small boats, small steps', 'No coffee after two'],
  ['cold water', 'In before thinking', 'Warm hat, always'],
];

const FEELINGS: Record<'low' | 'even' | 'good', string[]> = {
  low: ['tired', 'restless', 'heavy', 'cross'],
  even: ['calm', 'tired', 'curious'],
  good: ['calm', 'proud', 'light', 'grateful'],
};

const REASONS: Record<'low' | 'even' | 'good', string[]> = {
  low: [
    'Slept four hours, and it showed in every note. I put the bow down after ten minutes and did not miss it, which is worse than playing badly. The yard was under water, the plank I had steamed on Sunday has a crack along its whole length, and I said something sharp to Olwen that she had not earned. Tomorrow: larch, an apology, and bed by ten.',
    'Rain from the moment I woke. The hull cannot dry like this, and everything I planned for it moves another week. I know that this is what refitting a boat in November means. Knowing it did not help today.',
    'The swim was called off, a gale from the north-west. I sat in the harbour café for an hour and wrote lists of things that I could have done instead of writing lists.',
  ],
  even: [
    'An ordinary day. Scales, cards, a walk to the point and back.',
    'Nothing went wrong and nothing went far. The dinghy is sanded to the second strake.',
    'Counted the birds late, in the last light: mostly dunlin.',
    'Worked until six. Played with the window open.',
  ],
  good: [
    'Third position held for a whole page. Then the wind went round and the yard was too wet to sand, and I did not mind.',
    'Swam to the second buoy and back without stopping. Cold for the first minute, then only water.',
    'Two people stopped at the market and stayed for the whole piece. Eighteen euros in the case, and a child who danced.',
    'Understood the harbour master the first time he said it. He noticed.',
    'The new plank fits. I ran my hand along the seam three times to be sure.',
  ],
};

const TO_FINISH = [
  'Ring the harbour master',
  'Order two planks of larch',
  'New strings',
  'Send the tide tables to Olwen',
  'Sharpen the block plane',
  'Answer the sailmaker',
];
const GOOD_THINGS = [
  'Sun on the water',
  'The bow hand was loose',
  'Bread from the new bakery',
  'Olwen laughed',
  'A whole hour without the phone',
  'Curlews on the flats',
  'The seam is tight',
];
const TOMORROWS = ['Cello before anything else.', 'Lay the swim things out tonight.', 'Fewer lists.', 'Go by boat.'];

/** The word and aims of each month up to today's. */
export function monthPages(today: PlainDay): MonthPage[] {
  const now = monthOfDay(today);
  return Array.from({ length: MONTHS_BACK + 1 }, (_, back) => {
    const [word, ...aims] = WORDS[back % WORDS.length]!;
    return { month: formatMonth(now - MONTHS_BACK + back), word, aims };
  });
}

/** Fourteen months of pages: not every day, longer when things go badly, mornings only for some weeks. */
export function journalPages(first: PlainDay, today: PlainDay): JournalPage[] {
  const random = seedrandom(SEED);
  const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)]!;
  const pages: JournalPage[] = [];
  for (let day = first; day <= today; day++) {
    const spirit = SPIRITS[partsOfDay(day).month - 1]!;
    const [writes, mornings, evenings, sway] = [random(), random(), random(), random() * 3 - 1.5];
    const isWeekend = weekdayOf(day) >= 5;
    const mood = Math.max(1, Math.min(5, Math.round(3.3 + spirit * 1.6 + sway + (isWeekend ? 0.3 : 0)))) as Mood;
    const tone = mood <= 2 ? 'low' : mood === 3 ? 'even' : 'good';
    const text = formatDay(day);
    if (writes < 0.68 || day === today) {
      const feelings = random() < 0.7 ? [...new Set([pick(FEELINGS[tone]), pick(FEELINGS[tone])])] : [];
      pages.push({
        id: `page-${text}`,
        day: text,
        part: 'day',
        mood,
        ...(feelings.length > 0 ? { feelings } : {}),
        ...(random() < 0.8 ? { text: pick(REASONS[tone]) } : {}),
      });
    }
    const isMorningWeek = Math.floor(day / 7) % 5 < 2;
    if ((isMorningWeek && mornings < 0.7) || day === today) {
      const lines = day === today ? TO_FINISH.slice(0, 2) : [...new Set([pick(TO_FINISH), pick(TO_FINISH)])];
      const items = lines.map((line, at) => ({
        text: line,
        ...(day < today ? { done: random() < 0.8 } : at === 0 ? { done: true } : {}),
      }));
      pages.push({ id: `morning-${text}`, day: text, part: 'morning', answers: [answer('finish', { items })] });
    }
    if (evenings < 0.3 && day < today) {
      const items = [...new Set([pick(GOOD_THINGS), pick(GOOD_THINGS), pick(GOOD_THINGS)])].map((line) => ({
        text: line,
      }));
      const answers = [
        answer('good', { items }),
        ...(random() < 0.4 ? [answer('tomorrow', { text: pick(TOMORROWS) })] : []),
      ];
      pages.push({ id: `evening-${text}`, day: text, part: 'evening', answers });
    }
  }
  return pages;
}

const answer = (promptId: string, said: Pick<JournalAnswer, 'text' | 'items'>): JournalAnswer => ({
  promptId,
  promptText: PROMPTS.find(({ id }) => id === promptId)!.text,
  ...said,
});
