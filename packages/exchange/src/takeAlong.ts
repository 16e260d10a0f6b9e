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
/** Text of several lines as Markdown that reads as it was typed. */
export const markdownText = (text: string): string =>
  text
    .replaceAll(/[\\`*_[\]<>|~]/g, '\\$&')
    .replaceAll(/^(\s*)(#{1,6}\s|=)/gm, '$1\\$2')
    .replaceAll(/^\s*\\\*(\s)/gm, '-$1');

/** Text as one line of Markdown. */
export const markdownLine = (text: string): string => markdownText(text.replaceAll(/\s*\n\s*/g, ' '));

/** A page to take along as Markdown, ending with a line break; parts that are empty are left out. */
export function takeAlongMarkdown({ title, sums, moods, feelings, misses, days }: TakeAlong): string {
  const part = (name: string, lines: string[]): string[] =>
    lines.length === 0 ? [] : [`## ${name}`, '', ...lines, ''];
  const lines = [
    `# ${markdownLine(title)}`,
    '',
    ...sums.flatMap((each) => [markdownLine(each), '']),
    ...part(
      'Mood',
      moods.map(({ day, mood }) => `- ${markdownLine(day)}: ${markdownLine(mood)}`),
    ),
    ...part(
      'Feelings',
      feelings.map(({ feeling, told }) => `- ${markdownLine(feeling)}: ${markdownLine(told)}`),
    ),
    ...part(
      'Missed, and why',
      misses.map(({ reason, which }) => `- ${markdownLine(reason)}: ${which.map(markdownLine).join('; ')}`),
    ),
    ...(days.length === 0 ? [] : ['## Written', '']),
    ...days.flatMap(({ day, about, writings }) => [
      `### ${markdownLine(day)}`,
      '',
      ...(about === '' ? [] : [markdownLine(about), '']),
      ...writings.flatMap(({ asked, text }) => [
        ...(asked === null ? [] : [`**${markdownLine(asked)}**`, '']),
        markdownText(text),
        '',
      ]),
    ]),
  ];
  return `${lines.join('\n').trimEnd()}\n`;
}
