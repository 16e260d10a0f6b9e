import type { PlainDay, Track } from '@wimbel/core';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import ChevronUp from 'lucide-react-native/icons/chevron-up';
import { Pressable, ScrollView, View } from 'react-native';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { dyeColor } from '../../theme/dye.ts';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Card } from '../../ui/Card.tsx';
import { Words } from '../../ui/Words.tsx';
import { HabitRow } from './HabitRow.tsx';
import type { TodayPlan, TodaySection } from './todaySections.ts';

/** From so many groups on a row of them leads to each. */
const JUMPS_FROM = 6;

/** A row of the groups of a long day, to go to one at once. */
export function JumpRow({
  sections,
  onJump,
}: {
  sections: readonly TodaySection[];
  /** Before it goes there: all that lies above must be there. */
  onJump: () => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  if (sections.length < JUMPS_FROM) return null;
  return (
    <ScrollView horizontal showsHorizontalScrollIndicator={false} style={styles.jumps}>
      <View role="group" aria-label="Go to a group" style={styles.jumpRow}>
        {sections.map(({ key, title, dye }) => (
          <Button
            key={key}
            kind="bare"
            style={styles.jump}
            label={`Go to ${title}`}
            icon={dye === null ? null : <View style={[styles.dot, { backgroundColor: dyeColor(colors, dye) }]} />}
            onPress={() => {
              onJump();
              document.getElementById(sectionId(key))?.scrollIntoView({ block: 'start' });
            }}
          >
            {title}
          </Button>
        ))}
      </View>
    </ScrollView>
  );
}

const sectionId = (key: string): string => `group-${key}`;

function SectionHead({
  title,
  aside,
  dye = null,
  isFolded = false,
  onFold,
}: {
  title: string;
  aside: string;
  dye?: string | null;
  isFolded?: boolean;
  onFold?: () => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const Arrow = isFolded ? ChevronDown : ChevronUp;
  const inside = (
    <>
      {dye === null ? null : <View style={[styles.dot, { backgroundColor: dyeColor(colors, dye) }]} />}
      <Words type="label" tone="quiet" heading={3} style={styles.sectionTitle}>
        {title}
      </Words>
      <Words type="label" tone="quiet">
        {aside}
      </Words>
      {onFold ? <Arrow size={16} color={colors.quiet} /> : null}
    </>
  );
  if (!onFold) return <View style={styles.sectionHead}>{inside}</View>;
  return (
    <Pressable
      role="button"
      aria-expanded={!isFolded}
      aria-label={`${title}, ${aside}`}
      onPress={onFold}
      style={[styles.sectionHead, styles.foldable]}
    >
      {inside}
    </Pressable>
  );
}

/** A group of habits that the day asks for. */
export function Section({
  section,
  most = Infinity,
  day,
  isFolded,
  onFold,
  onOpen,
}: {
  section: TodaySection;
  /** Number of rows rendered so far. */
  most?: number;
  day: PlainDay;
  isFolded: boolean;
  onFold: () => void;
  onOpen: (habitId: string) => void;
}) {
  const styles = useStyles();
  return (
    <View style={styles.section} nativeID={sectionId(section.key)}>
      <SectionHead
        title={section.title}
        aside={section.toGo > 0 ? `${section.toGo} to go` : 'all done'}
        dye={section.dye}
        isFolded={isFolded}
        onFold={onFold}
      />
      {isFolded ? null : (
        <Card isFlush>
          {section.rows.slice(0, most).map(({ track }, index) => (
            <HabitRow key={track.habit.id} habitId={track.habit.id} day={day} onOpen={onOpen} place={index} />
          ))}
        </Card>
      )}
    </View>
  );
}

/** Habits that the day does not ask for by themselves: those that can wait, those not due, those that begin later. */
export function OtherGroups({
  plan,
  day,
  isToday,
  isShown,
  isSome,
  onOpen,
}: {
  plan: TodayPlan;
  day: PlainDay;
  isToday: boolean;
  isShown: (track: Track) => boolean;
  /** Whether only some habits are shown: the day's total is hidden then. */
  isSome: boolean;
  onOpen: (habitId: string) => void;
}) {
  const styles = useStyles();
  const group = (title: string, aside: string, every: readonly Track[]) => {
    const list = every.filter(isShown);
    return list.length === 0 ? null : (
      <View style={styles.section}>
        <SectionHead title={title} aside={aside} />
        <Card isFlush>
          {list.map((track, index) => (
            <HabitRow key={track.habit.id} habitId={track.habit.id} day={day} onOpen={onOpen} place={index} />
          ))}
        </Card>
      </View>
    );
  };
  return (
    <>
      {group(isToday ? 'Can wait' : 'Could wait', isSome ? '' : canWaitWords(plan, isToday), plan.canWait.tracks)}
      {group(isToday ? 'Not due today' : 'Not due that day', 'can still be done', plan.notAsked)}
      {group('Begins later', 'a check-off starts it on this day', plan.notBegun)}
    </>
  );
}

/** How many of the habits that can wait the day asks: "any 2 of these". */
function canWaitWords({ canWait: { wanted } }: TodayPlan, isToday: boolean): string {
  if (wanted === 0) return isToday ? 'none needed today' : 'none was needed';
  return isToday ? `any ${wanted} of these` : `any ${wanted} of these were left`;
}

const useStyles = themed(() => ({
  jumps: { flexGrow: 0, marginHorizontal: -SPACE.l, paddingHorizontal: SPACE.l, marginVertical: -SPACE.s },
  jumpRow: { flexDirection: 'row', gap: SPACE.xs },
  jump: { paddingHorizontal: SPACE.m },
  section: { gap: SPACE.s },
  sectionHead: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, paddingHorizontal: SPACE.xs },
  sectionTitle: { flex: 1 },
  foldable: { minHeight: 32, marginVertical: -6 },
  dot: { width: 10, height: 10, borderRadius: 5 },
}));
