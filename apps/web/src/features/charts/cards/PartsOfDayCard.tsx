import { PART_WORDS } from '../../../text/format.ts';
import { type ReviewProps, partOfDayAsked } from './reviewCard.ts';
import { RoundCard } from './RoundCard.tsx';

/** The same by the part of the day that habits belong to. */
export function PartsOfDayCard({ kind, review, of }: ReviewProps) {
  const { partsOfDay, past, span } = review;
  if (partsOfDay.length < 2 || partsOfDay.every(({ kept }) => kept.rate === null)) return null;
  return (
    <RoundCard
      title="Parts of the day"
      what="Part of the day"
      aside="kept of what was due"
      kind={kind}
      review={review}
      rows={partsOfDay.map(({ part, kept }) => ({
        name: PART_WORDS[part],
        label: PART_WORDS[part],
        kept,
        before: past?.partsOfDay.find((each) => each.part === part)?.kept ?? null,
        asked: partOfDayAsked(of, span, part),
      }))}
    />
  );
}
