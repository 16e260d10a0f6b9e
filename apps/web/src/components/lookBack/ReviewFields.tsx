import { type Review, type ReviewAnswers, linesOf, shownText } from '@wimbel/core';
import { View } from 'react-native';
import { themed } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Chips } from '../../ui/Chips.tsx';
import { Words } from '../../ui/Words.tsx';
import { NoteField } from '../entry/NoteField.tsx';
import type { ReviewWriting } from './useReviewWriting.ts';

const LONGEST = 20_000;

type TextField = Exclude<keyof ReviewAnswers, 'nextTimeWas' | 'mostOfWins' | 'mostOfLosses'>;

type ReviewFieldsProps = Pick<ReviewWriting, 'write'> & { answers: ReviewAnswers; onTyping?: () => void };

/** A field of a look back that keeps itself. */
export function ReviewField({
  name,
  label,
  answers,
  write,
  onTyping,
}: ReviewFieldsProps & { name: TextField; label: string }) {
  return (
    <View onFocus={onTyping}>
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
}

/** Wins, losses and lessons of a long span, and which few of them mattered most. */
export function WinsAndLosses(props: ReviewFieldsProps) {
  const { answers, write } = props;
  return (
    <>
      <ReviewField {...props} name="wins" label="Wins, one a line" />
      <MostOf name="mostOfWins" from={answers.wins} chosen={answers.mostOfWins} write={write} />
      <ReviewField {...props} name="losses" label="Losses, one a line" />
      <MostOf name="mostOfLosses" from={answers.losses} chosen={answers.mostOfLosses} write={write} />
      <ReviewField {...props} name="lessons" label="Lessons, one a line" />
    </>
  );
}

const WAS = [
  { value: 'done', label: 'Done' },
  { value: 'partly', label: 'Partly' },
  { value: 'not', label: 'Not this time' },
] as const;

/** What the look back before meant to do, and whether it was done. */
export function PlannedThen({
  after,
  planned,
  tell,
}: {
  /** What was looked back on then: "16 to 22 November". */
  after: string;
  planned: Review;
} & Pick<ReviewWriting, 'tell'>) {
  const styles = useStyles();
  const was = planned.answers.nextTimeWas;
  return (
    <View style={styles.planned}>
      <Words type="label" tone="quiet" heading={2}>
        {`After ${after} you wanted to`}
      </Words>
      <Words type="name">{shownText(planned.answers.nextTime ?? '')}</Words>
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
} & Pick<ReviewWriting, 'write'>) {
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
  planned: { borderLeftWidth: 3, borderLeftColor: colors.brass, paddingLeft: SPACE.m, gap: SPACE.s },
  most: { gap: SPACE.s, marginTop: -SPACE.s },
}));
