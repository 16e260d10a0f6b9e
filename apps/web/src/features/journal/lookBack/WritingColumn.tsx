import { type DaySpan, type LookBackSpan, type ReviewAnswers, linesOf, monthOfDay, spanOfReview } from '@wimbel/core';
import { View } from 'react-native';
import { MonthAims } from '../../../parts/MonthAims.tsx';
import { NoteField } from '../../../parts/NoteField.tsx';
import { selectSettings, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Chips } from '../../../ui/Chips.tsx';
import { Words } from '../../../ui/Words.tsx';
import { spanTitle } from '../../../words/spanWords.ts';
import { type LookBack, useLookBack } from './useLookBack.ts';

const LONGEST = 20_000;

type TextField = Exclude<keyof ReviewAnswers, 'nextTimeWas' | 'mostOfWins' | 'mostOfLosses'>;

/** The writing of a look back: what was meant to be done and whether it was, what went well, what did not, what is next. */
export function WritingColumn({ kind, span, onTyping }: { kind: LookBackSpan; span: DaySpan; onTyping: () => void }) {
  const styles = useStyles();
  const { answers, planned, write, tell } = useLookBack(kind, span);
  const isLong = kind === 'quarter' || kind === 'year';
  const field = fieldOf({ answers, write, onTyping });
  return (
    <View style={styles.column}>
      {planned === null ? null : <PlannedThen kind={kind} planned={planned} tell={tell} />}
      {field('wentWell', 'What went well')}
      {field('gotInTheWay', 'What got in the way')}
      {field('nextTime', 'What to do next time')}
      {isLong ? <WinsAndLosses answers={answers} write={write} onTyping={onTyping} /> : null}
      {kind === 'month' ? <MonthAims month={monthOfDay(span.last + 1)} /> : null}
    </View>
  );
}

type Fields = Pick<LookBack, 'answers' | 'write'> & { onTyping: () => void };

/** A field of the look back that keeps itself. */
const fieldOf = ({ answers, write, onTyping }: Fields) =>
  function field(name: TextField, label: string) {
    return (
      <View {...({ onFocus: onTyping } as object)}>
        <NoteField
          label={label}
          note={answers[name] ?? ''}
          maxLength={LONGEST}
          isTelling
          isGrowing
          onChange={(text) => write({ [name]: text })}
        />
      </View>
    );
  };

/** Wins, losses and lessons of a long span, and which few of them mattered most. */
export function WinsAndLosses({ answers, write, onTyping }: Fields) {
  const field = fieldOf({ answers, write, onTyping });
  return (
    <>
      {field('wins', 'Wins, one a line')}
      <MostOf name="mostOfWins" from={answers.wins} chosen={answers.mostOfWins} write={write} />
      {field('losses', 'Losses, one a line')}
      <MostOf name="mostOfLosses" from={answers.losses} chosen={answers.mostOfLosses} write={write} />
      {field('lessons', 'Lessons, one a line')}
    </>
  );
}

const WAS = [
  { value: 'done', label: 'Done' },
  { value: 'partly', label: 'Partly' },
  { value: 'not', label: 'Not this time' },
] as const;

/** What the look back before meant to do, and whether it was done. */
function PlannedThen({
  kind,
  planned,
  tell,
}: { kind: LookBackSpan; planned: NonNullable<LookBack['planned']> } & Pick<LookBack, 'tell'>) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const when = spanTitle(kind, spanOfReview(planned, weekStart), today);
  const was = planned.answers.nextTimeWas;
  return (
    <View style={styles.planned}>
      <Words type="label" tone="quiet" heading={2}>
        {`After ${when} you wanted to`}
      </Words>
      <Words type="name">{planned.answers.nextTime ?? ''}</Words>
      <Chips
        label="Was it done?"
        chips={WAS}
        chosen={was === undefined ? [] : [was]}
        onPress={(value) => tell(value as (typeof WAS)[number]['value'])}
      />
    </View>
  );
}

/** Which few of some lines mattered most. */
function MostOf({
  name,
  from,
  chosen,
  write,
}: {
  name: 'mostOfWins' | 'mostOfLosses';
  from: string | undefined;
  chosen: string | undefined;
} & Pick<LookBack, 'write'>) {
  const styles = useStyles();
  const lines = [...new Set(linesOf(from))];
  const most = linesOf(chosen).filter((line) => lines.includes(line));
  if (lines.length < 2) return null;
  return (
    <View style={styles.most}>
      <Words type="label" tone="quiet">
        Which mattered most?
      </Words>
      <Chips
        label={name === 'mostOfWins' ? 'Wins that mattered most' : 'Losses that mattered most'}
        isMultiple
        chips={lines.map((line) => ({ value: line, label: line }))}
        chosen={most}
        onPress={(line) => {
          const next = most.includes(line) ? most.filter((each) => each !== line) : [...most, line];
          write({ [name]: lines.filter((each) => next.includes(each)).join('\n') });
        }}
      />
    </View>
  );
}

const useStyles = themed((colors) => ({
  column: { gap: SPACE.l },
  planned: { borderLeftWidth: 3, borderLeftColor: colors.brass, paddingLeft: SPACE.m, gap: SPACE.s },
  most: { gap: SPACE.s, marginTop: -SPACE.s },
}));
