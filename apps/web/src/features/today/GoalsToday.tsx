import { type FiguredGoal, type DueThing, type Goal, dueThings, inDueOrder } from '@wimbel/core';
import Plus from 'lucide-react-native/icons/plus';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { lazySheet } from '../../components/page/lazySheet.tsx';
import { neediest } from '../../text/neediest.ts';
import { DueRows } from '../../components/goals/DueRows.tsx';
import { selectFiguredList } from '../../store/goalSelectors.ts';
import { PACE_WORDS, paceTone } from '../../text/goalText.ts';
import { selectToday } from '../../store/selectors.ts';
import { useAppSelector, useDeferredSelector } from '../../store/store.ts';
import { percent } from '../../text/format.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Card } from '../../ui/Card.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { Words } from '../../ui/Words.tsx';
import { PATHS, goalPath } from '../../platform/paths.ts';

const CheckInSheet = lazySheet('CheckInSheet');

/** How many due things stand on Today; the calendar has the rest. */
const MOST_DUE = 5;

/** The steps and milestones of open goals that are overdue or due within a week, the most overdue first. */
function pressingThings(goals: readonly FiguredGoal[], today: number): DueThing[] {
  const open = goals.filter(({ records }) => records.goal.state === 'open');
  return inDueOrder(open.flatMap((figured) => dueThings(figured, today))).filter(
    ({ kind, state }) => (kind === 'step' || kind === 'milestone') && (state === 'overdue' || state === 'dueSoon'),
  );
}

/** What of the goals belongs to today: what is due, and a way to check in to each goal that is open. */
export function GoalsToday() {
  const styles = useStyles();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const goals = useDeferredSelector(selectFiguredList);
  const [fed, setFed] = useState<Goal | null>(null);
  const due = useMemo(() => pressingThings(goals, today), [goals, today]);
  const open = goals.filter(({ records }) => records.goal.state === 'open');
  const go = (path: string): void => router.push(path);
  if (open.length === 0) return null;
  return (
    <>
      {due.length > 0 ? (
        <View style={styles.section}>
          <SectionLine
            title="Due"
            aside={due.length > MOST_DUE ? `All ${due.length}` : 'Calendar'}
            onGo={() => go(PATHS.dueGoals)}
          />
          <DueRows things={due.slice(0, MOST_DUE)} label="Due steps and milestones" onGo={go} />
        </View>
      ) : null}
      <View style={styles.section}>
        <SectionLine title="Goals" aside="All" onGo={() => go(PATHS.goals)} />
        <Card isFlush label="Goals">
          {open.map((figured, place) => (
            <GoalLine
              key={figured.records.goal.id}
              figured={figured}
              isParted={place > 0}
              onGo={go}
              onCheckIn={() => setFed(figured.records.goal)}
            />
          ))}
        </Card>
      </View>
      {fed ? <CheckInSheet goal={fed} onClose={() => setFed(null)} /> : null}
    </>
  );
}

function SectionLine({ title, aside, onGo }: { title: string; aside: string; onGo: () => void }) {
  const styles = useStyles();
  return (
    <View style={styles.head}>
      <Words type="label" tone="quiet" heading={3} style={styles.grow}>
        {title}
      </Words>
      <Pressable role="link" aria-label={`${title}: ${aside.toLowerCase()}`} onPress={onGo} style={styles.aside}>
        <Words type="label" tone="working">
          {aside}
        </Words>
      </Pressable>
    </View>
  );
}

function GoalLine({
  figured,
  isParted,
  onGo,
  onCheckIn,
}: {
  figured: FiguredGoal;
  isParted: boolean;
  onGo: (path: string) => void;
  onCheckIn: () => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const { figures, records } = figured;
  const { goal } = records;
  return (
    <View style={[styles.goal, isParted && { borderTopWidth: 1, borderTopColor: colors.line }]}>
      <Pressable
        role="link"
        aria-label={`Goal ${goal.title}, ${percent(figures.progress)}`}
        onPress={() => onGo(goalPath(goal.id))}
        style={styles.words}
      >
        <Words type="name">{goal.title}</Words>
        <View style={styles.line}>
          <Words type="label">{percent(figures.progress)}</Words>
          {figures.pace ? (
            <Words type="label" tone={paceTone(figures.pace)}>
              {PACE_WORDS[figures.pace]}
            </Words>
          ) : null}
        </View>
      </Pressable>
      {neediest(figured) === null ? null : (
        <IconButton icon={Plus} label={`Check in to ${goal.title}`} onPress={onCheckIn} />
      )}
    </View>
  );
}

const useStyles = themed(() => ({
  section: { gap: SPACE.s },
  head: { flexDirection: 'row', alignItems: 'center', paddingHorizontal: SPACE.xs },
  grow: { flex: 1, minWidth: 0 },
  aside: { minHeight: 44, marginVertical: -12, justifyContent: 'center', paddingHorizontal: SPACE.xs },
  goal: { flexDirection: 'row', alignItems: 'center', minHeight: 58, paddingRight: SPACE.xs },
  words: { flex: 1, minWidth: 0, gap: 1, paddingVertical: SPACE.s, paddingLeft: SPACE.l },
  line: { flexDirection: 'row', gap: SPACE.s },
}));
