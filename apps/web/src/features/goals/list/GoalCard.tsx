import type { FiguredGoal, Goal } from '@wimbel/core';
import CircleCheck from 'lucide-react-native/icons/circle-check';
import Plus from 'lucide-react-native/icons/plus';
import { useRouter } from 'expo-router';
import { Pressable, View } from 'react-native';
import { BoringPicture } from '../../../charts/BoringPicture.tsx';
import { AreaName } from '../../../components/habitForm/AreaName.tsx';
import { neediest } from '../../../text/neediest.ts';
import { PACE_WORDS, STATE_WORDS, dueWords, holeColor, paceTone, shareWords } from '../../../text/goalText.ts';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { counted, percent } from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { Words } from '../../../ui/Words.tsx';
import { useGoalActions } from '../../../components/goals/useGoalActions.ts';
import { goalPath } from '../../../platform/paths.ts';

/** A goal in the list: its plank, its share and pace, its due day; the card leads to the goal, the button checks in. */
export function GoalCard({
  figured,
  showsArea,
  onCheckIn,
}: {
  figured: FiguredGoal;
  showsArea: boolean;
  onCheckIn: (goal: Goal) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const actions = useGoalActions();
  const { figures, records } = figured;
  const { goal } = records;
  const isOpen = goal.state === 'open';
  const pace = isOpen ? figures.pace : null;
  const parts = records.keyResults.map((keyResult, place) => {
    const { progress, expected } = figures.keyResults[keyResult.id]!;
    return { id: keyResult.id, progress, expected: isOpen ? expected : null, color: holeColor(colors, place) };
  });
  const href = goalPath(goal.id);
  const behind = shareWords(figured, today);
  return (
    <Card isFlush>
      <Pressable
        role="link"
        aria-label={`${goal.title}, ${percent(figures.progress)}${pace ? `, ${PACE_WORDS[pace]}` : isOpen ? '' : `, ${STATE_WORDS[goal.state]}`}`}
        href={href}
        onPress={(event) => {
          event.preventDefault();
          router.push(href);
        }}
        style={({ pressed }) => [styles.card, pressed && styles.pressed]}
      >
        {showsArea ? <AreaName areaId={goal.areaId} /> : null}
        <Words type="card">{goal.title}</Words>
        <View style={styles.line}>
          <Words type="section">{percent(figures.progress)}</Words>
          {pace ? (
            <Words type="strong" tone={paceTone(pace)}>
              {PACE_WORDS[pace]}
            </Words>
          ) : isOpen ? null : (
            <Words type="strong" tone="quiet">
              {STATE_WORDS[goal.state]}
            </Words>
          )}
          {behind ? (
            <Words type="quiet" tone="quiet">
              {behind}
            </Words>
          ) : null}
        </View>
        {parts.length > 0 ? (
          <BoringPicture parts={parts} heightPx={44} isSmall label={counted(parts.length, 'key result')} />
        ) : null}
      </Pressable>
      <View style={styles.foot}>
        <Words type="quiet" tone={isOpen && pace === 'overdue' ? 'madder' : 'quiet'} style={styles.grow}>
          {dueWords(goal, figures, today)}
        </Words>
        {isOpen && (figures.progress === null || figures.progress >= 1) ? (
          <Button
            kind="bare"
            icon={<CircleCheck size={17} color={colors.working} />}
            label={`${goal.title} is reached`}
            onPress={() => actions.close(goal, 'reached', '')}
          >
            Reached
          </Button>
        ) : null}
        {isOpen && neediest(figured) !== null ? (
          <Button
            kind="bare"
            icon={<Plus size={17} color={colors.working} />}
            label={`Check in to ${goal.title}`}
            onPress={() => onCheckIn(goal)}
          >
            Check in
          </Button>
        ) : null}
      </View>
    </Card>
  );
}

const useStyles = themed((colors) => ({
  card: { gap: SPACE.s, padding: SPACE.l, paddingBottom: SPACE.xs },
  pressed: { backgroundColor: colors.wash },
  line: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'baseline', columnGap: SPACE.s },
  foot: { flexDirection: 'row', alignItems: 'center', paddingHorizontal: SPACE.l, minHeight: 46, gap: SPACE.s },
  grow: { flex: 1, minWidth: 0 },
}));
