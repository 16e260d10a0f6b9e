import { type Step, type StepNode, stepDays, shownText } from '@wimbel/core';
import Square from 'lucide-react-native/icons/square';
import SquareCheck from 'lucide-react-native/icons/square-check';
import { memo } from 'react';
import { Pressable, View } from 'react-native';
import { stateTone, stateWords } from '../../../text/goalText.ts';
import { counted } from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Choice } from '../../../ui/Choice.tsx';
import { Peg } from '../../../ui/Peg.tsx';
import { Words } from '../../../ui/Words.tsx';

const INDENT_PX = 26;

type RowProps = {
  node: StepNode;
  depth: number;
  today: number;
  keyResult: string | null;
  /** Whether it is among those chosen; null where none are being chosen. */
  isChosen: boolean | null;
  onChoose: (step: Step) => void;
  onOpen: (id: string) => void;
  onMark: (step: Step, isDone: boolean) => void;
};

const isSameNode = (a: StepNode, b: StepNode): boolean =>
  a.step === b.step &&
  a.isDone === b.isDone &&
  a.state === b.state &&
  a.below.length === b.below.length &&
  a.below.every((each, index) => each.isDone === b.below[index]!.isDone);

/** A step of a list: ticked off by its peg, opened by its words; while several are chosen its words choose it. */
export const StepRow = memo(
  function StepRow({ node, depth, today, keyResult, isChosen, onChoose, onOpen, onMark }: RowProps) {
    const styles = useStyles();
    const { colors } = useTheme();
    const { step, state, isDone } = node;
    const words = stateWords({ state, dueOn: step.dueOn, doneOn: step.doneOn }, today);
    const days = stepDays(step);
    const below = node.below.filter((each) => each.isDone).length;
    const more = [
      node.below.length > 0 ? `${below} of ${node.below.length}${!isDone && below > 0 ? ', in progress' : ''}` : '',
      days === null ? '' : counted(days, 'day'),
      step.priority ? `priority ${step.priority}` : '',
      step.impact ? `${step.impact} impact` : '',
      keyResult ? `for ${keyResult}` : '',
    ].filter(Boolean);
    return (
      <View
        role="listitem"
        dataSet={{ id: step.id }}
        style={[styles.row, { paddingLeft: SPACE.xs + Math.min(depth, 3) * INDENT_PX }]}
      >
        {isChosen === null ? null : (
          <Choice
            role="checkbox"
            isChosen={isChosen}
            label={`Choose ${step.title}`}
            onPress={() => onChoose(step)}
            style={styles.choice}
          >
            {isChosen ? <SquareCheck size={22} color={colors.working} /> : <Square size={22} color={colors.rim} />}
          </Choice>
        )}
        <Peg
          state={isDone ? 'done' : below > 0 ? 'part' : 'blank'}
          ratio={node.below.length > 0 ? below / node.below.length : 0}
          sizePx={depth === 0 ? 26 : 22}
          color={colors.working}
          label={`${step.title}: done`}
          isChecked={isDone}
          onPress={() => onMark(step, !isDone)}
        />
        <Pressable
          role="button"
          aria-label={[`${step.title}, more`, words, ...more].filter(Boolean).join(', ')}
          onPress={() => (isChosen === null ? onOpen(step.id) : onChoose(step))}
          style={styles.words}
        >
          <Words
            type={depth === 0 ? 'name' : 'body'}
            tone={isDone ? 'quiet' : 'ink'}
            style={isDone ? styles.through : undefined}
          >
            {step.title}
          </Words>
          {words || more.length > 0 ? (
            <View style={styles.line}>
              {words ? (
                <Words type="label" tone={stateTone(state)}>
                  {words}
                </Words>
              ) : null}
              {more.length > 0 ? (
                <Words type="quiet" tone="quiet">
                  {more.join(' · ')}
                </Words>
              ) : null}
            </View>
          ) : null}
          {step.note ? (
            <Words type="quiet" tone="quiet" numberOfLines={2}>
              {shownText(step.note)}
            </Words>
          ) : null}
        </Pressable>
      </View>
    );
  },
  (a, b) =>
    isSameNode(a.node, b.node) &&
    a.depth === b.depth &&
    a.today === b.today &&
    a.keyResult === b.keyResult &&
    a.isChosen === b.isChosen &&
    a.onChoose === b.onChoose &&
    a.onOpen === b.onOpen &&
    a.onMark === b.onMark,
);

const useStyles = themed((colors) => ({
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    minHeight: 52,
    borderBottomWidth: 1,
    borderBottomColor: colors.line,
  },
  words: { flex: 1, minWidth: 0, gap: 1, paddingVertical: SPACE.s, paddingLeft: SPACE.xs, paddingRight: SPACE.m },
  line: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.s },
  choice: { minWidth: 44, minHeight: 44, alignItems: 'center', justifyContent: 'center' },
  through: { textDecorationLine: 'line-through' },
}));
