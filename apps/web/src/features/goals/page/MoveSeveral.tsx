import { View } from 'react-native';
import { useRecording } from '../../../sync/recording.ts';
import { useToast } from '../../../ui/Toast.tsx';
import { stepsMoved } from '../../../components/goals/stepDraft.ts';
import { counted } from '../../../text/format.ts';
import { changeTo } from '../../../store/makeChange.ts';
import { Words } from '../../../ui/Words.tsx';
import { Button } from '../../../ui/Button.tsx';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { type FiguredGoal, isStepsMeasure } from '@wimbel/core';

/** Lets several steps count for another key result, or for none, at once. Nothing is celebrated: nothing was done. */
export function MoveSeveral({
  figured,
  chosen,
  onMoved,
}: {
  figured: FiguredGoal;
  chosen: ReadonlySet<string>;
  onMoved: () => void;
}) {
  const styles = useStyles();
  const { change } = useRecording();
  const toast = useToast();
  const { steps, keyResults } = figured.records;
  const fed = keyResults.filter(({ measure }) => isStepsMeasure(measure));
  const move = (to: { id: string; title: string } | null): void => {
    const moved = stepsMoved(
      steps.filter(({ id }) => chosen.has(id)),
      to?.id ?? null,
    );
    if (moved.length > 0)
      toast({
        text: `${counted(moved.length, 'step')} now ${to ? `count for ${to.title}` : 'count for no key result'}`,
        onUndo: change(...moved.map((step) => changeTo('steps', step))),
      });
    onMoved();
  };
  return (
    <View role="group" aria-label="What the chosen steps count for" style={styles.several}>
      <Words tone="quiet">
        {chosen.size === 0
          ? 'Choose steps, then what they count for.'
          : `${counted(chosen.size, 'step')} chosen. They count for:`}
      </Words>
      <View style={styles.line}>
        {fed.map((each) => (
          <Button key={each.id} isDisabled={chosen.size === 0} onPress={() => move(each)}>
            {each.title}
          </Button>
        ))}
        <Button isDisabled={chosen.size === 0} onPress={() => move(null)}>
          No key result
        </Button>
      </View>
    </View>
  );
}

const useStyles = themed(() => ({
  several: { gap: SPACE.s, padding: SPACE.l },
  line: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.s, rowGap: SPACE.s },
}));
