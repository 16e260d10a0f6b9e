/** A page to take along, in words: what somebody chose to show of some days. Every part may be empty. */
export type TakeAlong = {
  title: string;
  /** One sentence each: what was kept, the mood. */
  sums: string[];
  /** Days with a mood, in words, in order. */
  moods: { day: string; mood: string }[];
  feelings: { feeling: string; told: string }[];
  misses: { reason: string; which: string[] }[];
  days: { day: string; about: string; writings: { asked: string | null; text: string }[] }[];
};

/** Text as Markdown that reads as it was typed: signs that would be taken for marks are written out; lists stay lists. */
const plain = (text: string): string =>
  text
    .replaceAll(/[\\`*_[\]<>|~]/g, '\\$&')
    .replaceAll(/^(\s*)(#{1,6}\s|=)/gm, '$1\\$2')
    .replaceAll(/^\s*\\\*(\s)/gm, '-$1');

const line = (text: string): string => plain(text.replaceAll(/\s*\n\s*/g, ' '));

/** A page to take along as Markdown, ending with a line break; parts that are empty are left out. */
export function takeAlongMarkdown({ title, sums, moods, feelings, misses, days }: TakeAlong): string {
  const part = (name: string, lines: string[]): string[] =>
    lines.length === 0 ? [] : [`## ${name}`, '', ...lines, ''];
  const lines = [
    `# ${line(title)}`,
    '',
    ...sums.flatMap((each) => [line(each), '']),
    ...part(
      'Mood',
      moods.map(({ day, mood }) => `- ${line(day)}: ${line(mood)}`),
    ),
    ...part(
      'Feelings',
      feelings.map(({ feeling, told }) => `- ${line(feeling)}: ${line(told)}`),
    ),
    ...part(
      'Missed, and why',
      misses.map(({ reason, which }) => `- ${line(reason)}: ${which.map(line).join('; ')}`),
    ),
    ...(days.length === 0 ? [] : ['## Written', '']),
    ...days.flatMap(({ day, about, writings }) => [
      `### ${line(day)}`,
      '',
      ...(about === '' ? [] : [line(about), '']),
      ...writings.flatMap(({ asked, text }) => [
        ...(asked === null ? [] : [`**${line(asked)}**`, '']),
        plain(text),
        '',
      ]),
    ]),
  ];
  return `${lines.join('\n').trimEnd()}\n`;
}
