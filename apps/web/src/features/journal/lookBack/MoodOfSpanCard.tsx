import {
  type DaySpan,
  type LookBackSpan,
  dayOf,
  daysCompared,
  eachDay,
  feelingFigures,
  formatDay,
  holdsDay,
  moodByDay,
  moodOver,
  partsOfSpan,
} from '@wimbel/core';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import { MoodLinePicture } from '../../../charts/MoodLinePicture.tsx';
import { useMarks } from '../../../charts/useMarks.ts';
import { counted, spanInWords } from '../../../text/format.ts';
import { PATHS } from '../../../platform/paths.ts';
import { selectIsHidden, selectJournal, selectSettings, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { CardHead } from '../../../ui/CardHead.tsx';
import { Words } from '../../../ui/Words.tsx';
import { meanWords } from '../../../text/moodText.ts';
import { beforeWords } from '../../../text/spanText.ts';

const MOST_FEELINGS = 4;

/** The mood of the span beside the one before, as a line with gaps, and what was felt most. */
export function MoodOfSpanCard({ kind, span }: { kind: LookBackSpan; span: DaySpan }) {
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const journal = useAppSelector(selectJournal);
  const isHidden = useAppSelector((state) => selectIsHidden(state, 'mood'));
  const choice = useMarks(`moodOfSpan ${kind} ${span.first}`);
  const moods = useMemo(() => moodByDay(journal), [journal]);
  const stretches = useMemo(
    (): DaySpan[] =>
      kind === 'week' || kind === 'month'
        ? eachDay(span).map((day) => ({ first: day, last: day }))
        : partsOfSpan('quarter', span, weekStart),
    [kind, span, weekStart],
  );
  const mean = moodOver(moods, span, today);
  if (isHidden || mean === null) return null;
  const { compared, isByNow } = daysCompared(kind, span, weekStart, today);
  const before = compared === null ? null : moodOver(moods, compared, today);
  const within = journal.filter(({ day }) => holdsDay(span, dayOf(day)));
  const feelings = [...feelingFigures(within, moods, today)]
    .sort((a, b) => b[1].days - a[1].days || a[0].localeCompare(b[0]))
    .slice(0, MOST_FEELINGS);
  const told = `mean ${meanWords(mean)}${before === null ? '' : `; ${before.mean.toFixed(1)} ${beforeWords(kind, isByNow)}`}`;
  const at = choice.at === null ? undefined : stretches[choice.at];
  const atMean = at === undefined ? null : moodOver(moods, at, today);
  return (
    <Card style={{ gap: SPACE.s }} label="Mood">
      <CardHead title="Mood" isNarrow aside={told} />
      <MoodLinePicture
        span={span}
        stretches={stretches}
        moods={moods}
        today={today}
        choice={choice}
        label={`Mood: ${told}. Arrow keys go from point to point.`}
      />
      <View role="status">
        <Words type="quiet" tone="quiet">
          {at === undefined || atMean === null
            ? feelings.map(([feeling, { days }]) => `${feeling} on ${counted(days, 'day')}`).join(', ')
            : `${spanInWords(at, today)}: ${at.first === at.last ? atMean.mean.toFixed(1) : meanWords(atMean)}`}
        </Words>
      </View>
      {kind === 'month' || kind === 'year' ? (
        <Button
          kind="bare"
          onPress={() => router.push(`${PATHS.moods}?span=${kind}&day=${formatDay(Math.min(today, span.last))}`)}
          style={{ alignSelf: 'flex-start', marginLeft: -SPACE.s }}
        >
          {`See the ${kind} in moods`}
        </Button>
      ) : null}
    </Card>
  );
}
