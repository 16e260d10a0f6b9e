import { type FiguredSeason, type DaySpan, type Track, doneBetween, planOf, seasonWeekSpan } from '@wimbel/core';
import { useRouter } from 'expo-router';
import { Pressable, View } from 'react-native';
import { outOf } from '../../../text/amounts.ts';
import { Figure } from '../../../components/figure/Figure.tsx';
import { counted, dayInWords, percent, weekdayName } from '../../../text/format.ts';
import { habitPath } from '../../../platform/paths.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { SPACE } from '../../../theme/space.ts';
import { PegPicture } from '../../../ui/Peg.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { Words } from '../../../ui/Words.tsx';
import { daysLeftWords } from '../../../text/seasonText.ts';

/** Up to so many planned days are shown as holes; more as numbers. */
const MOST_PEGS = 7;

/** What the running week asks of each habit that carries the season, what of it is done, and until when the rest can be. */
export function ThisWeek({ figured }: { figured: FiguredSeason }) {
  const { season, standing, tied, figures, today } = figured;
  if (standing.phase === 'toCome') return <FirstWeek figured={figured} />;
  const week = standing.week ?? 0;
  const span = seasonWeekSpan(season, week);
  const { actual, target, score } = figures.weeks[week]!;
  const rows = tied.flatMap((track) => {
    const planned = planOf(track, span);
    return planned === 0 ? [] : [{ track, planned, done: doneBetween(track, span) }];
  });
  const told = `This week, ${outOf(actual, target)}`;
  const title = (
    <Figure
      asked={{ figure: 'week', days: span, habitIds: tied.map(({ habit }) => habit.id) }}
      label={`${told}, ${percent(score)}`}
      style={{ marginVertical: 10 }}
    >
      <Words type="label" tone="quiet">
        {percent(score)}, {daysLeftWords(span.last - today)}
      </Words>
    </Figure>
  );
  if (rows.length === 0) {
    return (
      <SectionCard title="This week">
        <Words tone="quiet">No habit asks anything this week.</Words>
      </SectionCard>
    );
  }
  return (
    <SectionCard title={told} aside={title} isFlush>
      {rows.map((row, place) => (
        <HabitOfWeek key={row.track.habit.id} {...row} span={span} isParted={place > 0} />
      ))}
    </SectionCard>
  );
}

function FirstWeek({ figured: { season, tied } }: { figured: FiguredSeason }) {
  const span = seasonWeekSpan(season, 0);
  const planned = tied.reduce((sum, track) => sum + planOf(track, span), 0);
  return (
    <SectionCard title="Its first week">
      <Words tone="quiet">
        {`From ${dayInWords(span.first)} on: ${counted(planned, 'day')} of ${counted(tied.length, 'habit')} planned.`}
      </Words>
    </SectionCard>
  );
}

/** "2 left until Sunday", "done", "1 more than planned" */
function leftOfWeek(done: number, planned: number, { last }: DaySpan, today: number): string {
  if (done > planned) return `${done - planned} more than planned`;
  if (done === planned) return 'done';
  return `${planned - done} left ${last === today ? 'today' : `until ${weekdayName(last)}`}`;
}

function HabitOfWeek({
  track,
  planned,
  done,
  span,
  isParted,
}: {
  track: Track;
  planned: number;
  done: number;
  span: DaySpan;
  isParted: boolean;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const router = useRouter();
  const { habit } = track;
  const color = dyeColor(
    colors,
    useAppSelector((state) => state.records.areas[habit.areaId ?? '']?.color),
  );
  const left = leftOfWeek(done, planned, span, track.today);
  return (
    <Pressable
      role="link"
      aria-label={`${habit.name}: ${done} of ${planned}, ${left}`}
      onPress={() => router.push(habitPath(habit.id))}
      style={({ pressed }) => [styles.row, isParted && styles.parted, pressed && styles.pressed]}
    >
      <View style={styles.words}>
        <Words type="name">{habit.name}</Words>
        <Words type="quiet" tone="quiet">
          {left}
        </Words>
      </View>
      {planned <= MOST_PEGS ? (
        <View style={styles.pegs} aria-hidden>
          {Array.from({ length: planned }, (_, index) => (
            <PegPicture key={index} state={index < done ? 'done' : 'blank'} sizePx={15} color={color} />
          ))}
        </View>
      ) : (
        <Words type="label" tone="quiet">{`${done} of ${planned}`}</Words>
      )}
    </Pressable>
  );
}

const useStyles = themed((colors) => ({
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.m,
    paddingHorizontal: SPACE.l,
    paddingVertical: SPACE.s,
    minHeight: 56,
  },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  pressed: { backgroundColor: colors.wash },
  words: { flex: 1, minWidth: 0 },
  pegs: { flexDirection: 'row', gap: 5 },
}));
