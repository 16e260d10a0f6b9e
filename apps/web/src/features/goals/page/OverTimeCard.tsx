import { type FiguredGoal, type ProgressLineInput, goalCourse, monthSpan } from '@wimbel/core';
import { memo, useMemo, useState } from 'react';
import { View } from 'react-native';
import { ProgressPicture } from '../../../charts/ProgressPicture.tsx';
import { useMarks } from '../../../charts/useMarks.ts';
import { holeColor, valueWords } from '../../../text/goalText.ts';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { dateNear, percent } from '../../../text/format.ts';
import { useTheme } from '../../../theme/Theme.tsx';
import { Chips } from '../../../ui/Chips.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { Words } from '../../../ui/Words.tsx';

const WHOLE = '';

/** Progress over time against the expected line, of the whole goal or of one key result. */
export const OverTimeCard = memo(function OverTimeCard({ figured }: { figured: FiguredGoal }) {
  const { colors } = useTheme();
  const today = useAppSelector(selectToday);
  const { records, figures, trackOf } = figured;
  const [shown, setShown] = useState(WHOLE);
  const choice = useMarks(shown);
  const course = useMemo(() => goalCourse(records, trackOf, today), [records, trackOf, today]);
  const place = records.keyResults.findIndex((each) => each.id === shown);
  const keyResult = records.keyResults[place];
  const own = keyResult ? course.keyResults[place]!.course : null;
  const ownFigures = keyResult ? figures.keyResults[keyResult.id]! : null;
  const input = useMemo((): ProgressLineInput => {
    const start = own?.start ?? course.start;
    const due = own ? own.due : course.due;
    return {
      span: { first: start, last: Math.max(due ?? today, today, start + 1) },
      today,
      progressAt: own?.progressAt ?? course.progressAt,
      expectedAt: own?.expectedAt ?? course.expectedAt,
      checkpoints: (ownFigures?.checkpoints ?? []).map(({ month, target, reached }) => ({
        day: monthSpan(month).last,
        ratio: (target - ownFigures!.from) / (ownFigures!.target - ownFigures!.from),
        reached,
      })),
      forecast: ownFigures ? ownFigures.forecast : figures.forecast,
    };
  }, [course, figures, own, ownFigures, today]);
  if (records.keyResults.length === 0 || course.start > today) return null;
  const at = choice.at ?? today;
  const expected = input.expectedAt(at);
  const words = [
    `${dateNear(at, today)}:`,
    keyResult && own ? `${valueWords(keyResult, own.valueAt(at), own.unit)},` : '',
    percent(input.progressAt(at)),
    expected === null ? '' : `with ${percent(expected)} expected`,
  ]
    .filter(Boolean)
    .join(' ');
  return (
    <SectionCard title="Over time">
      {records.keyResults.length > 1 ? (
        <Chips
          label="Progress of"
          isScrolling
          chips={[
            { value: WHOLE, label: 'The whole goal' },
            ...records.keyResults.map((each, index) => ({
              value: each.id,
              label: each.title,
              dot: holeColor(colors, index),
            })),
          ]}
          chosen={[shown]}
          onPress={setShown}
        />
      ) : null}
      <ProgressPicture
        input={input}
        color={keyResult ? holeColor(colors, place) : colors.working}
        label={`Progress over time of ${keyResult?.title ?? records.goal.title}, from ${dateNear(input.span.first, today)} to ${dateNear(input.span.last, today)}. Arrow keys go from day to day.`}
        choice={choice}
      />
      <View role="status">
        <Words type="strong">{words}</Words>
      </View>
    </SectionCard>
  );
});
