import {
  type KeyResult,
  type KeyResultFigures,
  type PlainDay,
  type ProgressLineInput,
  formatMonth,
  goalCourse,
  monthOfDay,
  monthSpan,
} from '@wimbel/core';
import { memo, useMemo, useState } from 'react';
import { View } from 'react-native';
import { ProgressPicture } from '../../charts/ProgressPicture.tsx';
import { useMarks } from '../../charts/useMarks.ts';
import type { FiguredGoal } from '../../store/figuredGoals.ts';
import { holeColor, valueWords } from '../../words/goalWords.ts';
import { selectToday } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { number, signed } from '../../shared/amounts.ts';
import { dateNear, monthAbbreviation, monthAndYear, monthYear, percent } from '../../shared/format.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Chips } from '../../ui/Chips.tsx';
import { SectionCard } from '../../ui/SectionCard.tsx';
import { Words } from '../../ui/Words.tsx';

const WHOLE = '';

/** Progress over time against the expected line, of the whole goal or of one key result; and its checkpoints by month. */
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
    keyResult && own ? `${valueWords(keyResult, own.valueAt(at))},` : '',
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
      {keyResult && ownFigures && ownFigures.checkpoints.length > 0 ? (
        <CheckpointTable keyResult={keyResult} figures={ownFigures} today={today} />
      ) : null}
    </SectionCard>
  );
});

/** Whether a month's checkpoint was met, told by word. */
function metWords(month: number, reached: boolean, today: PlainDay): string {
  const now = monthOfDay(today);
  if (month > now) return 'to come';
  if (reached) return 'met';
  return month === now && monthSpan(month).last > today ? 'running' : 'missed';
}

function CheckpointTable({
  keyResult,
  figures,
  today,
}: {
  keyResult: KeyResult;
  figures: KeyResultFigures;
  today: PlainDay;
}) {
  const styles = useStyles();
  const head = ['Month', 'Target', 'From', 'To', 'Growth', ''];
  return (
    <View role="table" aria-label={`Checkpoints of ${keyResult.title}`}>
      <View role="row" style={styles.row}>
        {head.map((name, index) => (
          <View
            key={name}
            role="columnheader"
            style={index === 0 ? styles.first : name === '' ? styles.met : styles.cell}
          >
            <Words type="small" tone="quiet" style={index === 0 ? undefined : styles.right}>
              {name || 'Met'}
            </Words>
          </View>
        ))}
      </View>
      {figures.checkpoints.map(({ month, target, start, end, growth, reached }) => {
        const met = metWords(month, reached, today);
        const isToCome = met === 'to come';
        const cells = [
          number(target),
          isToCome ? '–' : number(start),
          isToCome ? '–' : number(end),
          isToCome ? '–' : signed(Number(growth.toPrecision(12))),
        ];
        return (
          <View key={formatMonth(month)} role="row" style={[styles.row, styles.parted]}>
            <View role="cell" style={styles.first}>
              <Words type="label" label={monthAndYear(month)}>
                {monthAbbreviation(month)} {monthYear(month)}
              </Words>
            </View>
            {cells.map((text, index) => (
              <View key={index} role="cell" style={styles.cell}>
                <Words type="quiet" style={styles.right}>
                  {text}
                </Words>
              </View>
            ))}
            <View role="cell" style={styles.met}>
              <Words
                type="label"
                tone={met === 'met' ? 'working' : met === 'missed' ? 'madder' : 'quiet'}
                style={styles.right}
              >
                {met}
              </Words>
            </View>
          </View>
        );
      })}
    </View>
  );
}

const useStyles = themed((colors) => ({
  row: { flexDirection: 'row', alignItems: 'center', minHeight: 34, gap: SPACE.xs },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  first: { flexGrow: 1.6, flexBasis: 74, minWidth: 0 },
  cell: { flexGrow: 1, flexBasis: 44, minWidth: 0 },
  met: { flexGrow: 1, flexBasis: 58, minWidth: 0 },
  right: { textAlign: 'right' },
}));
