import { type FiguredGoal, type Goal, type Area, type Season } from '@wimbel/core';
import { View } from 'react-native';
import { selectSeasons } from '../../../store/seasonSelectors.ts';
import { selectAreas } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useIsWide, useTheme } from '../../../theme/Theme.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { SPACE } from '../../../theme/space.ts';
import { Words } from '../../../ui/Words.tsx';
import { GoalCard } from './GoalCard.tsx';
import { type GoalGroup, type GoalsBy, groupsOfGoals } from './goalLists.ts';
import { GoalsSum } from '../../../components/goals/GoalsSum.tsx';

/** Every goal that belongs to a group, those no longer open too: what its figures are over. */
const allOfGroup = (
  all: readonly FiguredGoal[],
  by: GoalsBy,
  key: string,
  { areas, seasons }: { areas: readonly Area[]; seasons: readonly Season[] },
): FiguredGoal[] =>
  groupsOfGoals(all, { by, sort: 'order', areas, seasons }).find((group) => group.key === key)?.goals ?? [];

export function Group({
  group,
  all,
  by,
  showsArea,
  isNarrow = false,
  onCheckIn,
}: {
  group: GoalGroup;
  all: readonly FiguredGoal[];
  by: GoalsBy;
  showsArea: boolean;
  /** One below the other on a wide screen too. */
  isNarrow?: boolean;
  onCheckIn: (goal: Goal) => void;
}) {
  const styles = useStyles();
  const isWide = useIsWide();
  const areas = useAppSelector(selectAreas);
  const seasons = useAppSelector(selectSeasons);
  // Within a year goals stand by their area.
  const parts =
    by === 'year' && group.key !== 'closed' ? groupsOfGoals(group.goals, { by: 'area', sort: 'due', areas }) : null;
  const whole = group.key === 'closed' ? null : allOfGroup(all, by, group.key, { areas, seasons });
  const cards = (goals: readonly FiguredGoal[]) => (
    <View style={isWide && !isNarrow ? styles.grid : styles.stack}>
      {goals.map((figured) => (
        <View key={figured.records.goal.id} style={isWide && !isNarrow ? styles.third : undefined}>
          <GoalCard figured={figured} showsArea={showsArea} onCheckIn={onCheckIn} />
        </View>
      ))}
    </View>
  );
  return (
    <View role="group" aria-label={group.title} style={styles.group}>
      <GroupHead title={group.title} dye={group.dye} goals={whole} level={2} />
      {parts === null
        ? cards(group.goals)
        : parts.map((part) => (
            <View key={part.key} role="group" aria-label={`${group.title}, ${part.title}`} style={styles.group}>
              <GroupHead
                title={part.title}
                dye={part.dye}
                goals={allOfGroup(whole ?? [], 'area', part.key, { areas, seasons })}
                level={3}
              />
              {cards(part.goals)}
            </View>
          ))}
    </View>
  );
}

function GroupHead({
  title,
  dye,
  goals,
  level,
}: {
  title: string;
  dye: string | null;
  goals: readonly FiguredGoal[] | null;
  level: 2 | 3;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  return (
    <View style={styles.groupHead}>
      {dye === null ? null : <View style={[styles.dot, { backgroundColor: dyeColor(colors, dye) }]} />}
      <Words type="label" tone="quiet" heading={level} style={styles.groupTitle}>
        {title}
      </Words>
      {goals === null ? null : <GoalsSum goals={goals} name={title} />}
    </View>
  );
}

const useStyles = themed(() => ({
  group: { gap: SPACE.s },
  groupHead: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: SPACE.s,
    paddingHorizontal: SPACE.xs,
  },
  groupTitle: { flexGrow: 1 },
  dot: { width: 10, height: 10, borderRadius: 5 },
  stack: { gap: SPACE.l },
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.l },
  third: { flexBasis: 330, flexGrow: 1, maxWidth: 540 },
}));
