import { type DaySpan, type ReviewSpan, daysIn, eachDay, moodByDay, moodOver, partsOfSpan } from '@wimbel/core';
import { useMemo } from 'react';
import { MoodLinePicture } from '../../../charts/MoodLinePicture.tsx';
import { useMarks } from '../../../charts/useMarks.ts';
import { selectIsHidden, selectJournal, selectSettings, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { spanInWords } from '../../../text/format.ts';
import { Words } from '../../../ui/Words.tsx';
import { meanWords } from '../../../text/moodText.ts';
import { spanTitle } from '../../../text/spanText.ts';
import { ChartCard } from './ChartCard.tsx';
import { MarkWords } from './MarkWords.tsx';

/** Up to so many days a point is a day, up to so many a week, then a month. */
const MOST_DAYS = 62;
const MOST_DAYS_OF_WEEKS = 750;

/** Mood over the span as a line, with gaps where there is none; nothing while the journal has no moods. */
export function MoodLineCard({ kind, span }: { kind: ReviewSpan; span: DaySpan }) {
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const journal = useAppSelector(selectJournal);
  const isHidden = useAppSelector((state) => selectIsHidden(state, 'mood') || selectIsHidden(state, 'journal'));
  const choice = useMarks(`moodLine ${kind} ${span.first} ${span.last}`);
  const moods = useMemo(() => moodByDay(journal), [journal]);
  const stretches = useMemo((): DaySpan[] => {
    const days = daysIn(span);
    if (days <= MOST_DAYS) return eachDay(span).map((day) => ({ first: day, last: day }));
    return partsOfSpan(days <= MOST_DAYS_OF_WEEKS ? 'quarter' : 'year', span, weekStart);
  }, [span, weekStart]);
  if (moods.size === 0 || isHidden) return null;
  const mean = moodOver(moods, span, today);
  const by = daysIn(span) <= MOST_DAYS ? 'day' : daysIn(span) <= MOST_DAYS_OF_WEEKS ? 'week' : 'month';
  const told = (each: DaySpan): string => {
    const own = moodOver(moods, each, today);
    return `${spanInWords(each, today)}: ${own === null ? 'no mood' : by === 'day' ? own.mean.toFixed(1) : meanWords(own)}`;
  };
  const at = choice.at === null ? undefined : stretches[choice.at];
  return (
    <ChartCard
      title="Mood over time"
      aside={mean === null ? '' : `mean ${meanWords(mean)}`}
      legend={[`Each point is the mean mood of a ${by}; where there is none, the line has a gap.`]}
      figures={() => ({
        columns: [
          { name: by === 'day' ? 'Day' : 'Days', is: 'words' },
          { name: 'Mood', is: 'number' },
          { name: 'Days with a mood', is: 'number' },
        ],
        rows: stretches.flatMap((each) => {
          const own = moodOver(moods, each, today);
          return own === null ? [] : [[spanInWords(each, today), Math.round(own.mean * 100) / 100, own.days]];
        }),
      })}
    >
      {mean === null ? (
        <Words type="quiet" tone="quiet">
          No day of it has a mood.
        </Words>
      ) : (
        <>
          <MoodLinePicture
            span={span}
            stretches={stretches}
            moods={moods}
            today={today}
            choice={choice}
            label={`Mood over ${spanTitle(kind, span, today)}: mean ${meanWords(mean)}. Arrow keys go from ${by} to ${by}.`}
          />
          <MarkWords
            choice={choice}
            words={at === undefined ? null : told(at)}
            idle={`Choose a ${by} to see its numbers.`}
            days={at ?? null}
          />
        </>
      )}
    </ChartCard>
  );
}
