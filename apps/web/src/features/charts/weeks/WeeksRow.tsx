import { type DaySpan, type HabitWeek, type Track, askKindOf, habitWeek, termsOn, weeksMetIn } from '@wimbel/core';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { Pressable, View } from 'react-native';
import { Figure } from '../../../components/figure/Figure.tsx';
import { habitPath } from '../../../platform/paths.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { SPACE } from '../../../theme/space.ts';
import { PegPicture } from '../../../ui/Peg.tsx';
import { Words } from '../../../ui/Words.tsx';
import type { FigureQuery } from '../../../text/figureQuery.ts';
import { habitWeekWords, weeksMetWords } from '../../../text/weekText.ts';

export const WEEK_PX = 46;

export const NAME_PX = 96;

export function WeeksRow({ track, weeks, isWide }: { track: Track; weeks: readonly DaySpan[]; isWide: boolean }) {
  const styles = useStyles();
  const router = useRouter();
  const { colors } = useTheme();
  const { habit } = track;
  const area = useAppSelector((state) => state.records.areas[habit.areaId ?? '']);
  const color = dyeColor(colors, area?.color);
  const own = useMemo(() => weeks.map((week) => habitWeek(track, week)), [track, weeks]);
  const met = weeksMetIn(track, { first: weeks[0]!.first, last: weeks.at(-1)!.last });
  return (
    <View role="row" style={[styles.row, styles.parted]}>
      <View role="rowheader" style={styles.name}>
        <Pressable
          role="link"
          aria-label={`${habit.name}, ${weeksMetWords(met)}`}
          onPress={() => router.push(habitPath(habit.id))}
          style={styles.link}
        >
          <Words type="label" numberOfLines={2}>
            {habit.name}
          </Words>
          {isWide ? null : (
            <Words type="small" tone="quiet" numberOfLines={1}>
              {weeksMetWords(met)}
            </Words>
          )}
        </Pressable>
      </View>
      {own.map((week) => (
        <WeekCell key={week.days.first} track={track} week={week} color={color} />
      ))}
      {isWide ? (
        <View role="cell" style={styles.sum}>
          <Words type="label" style={styles.sumWords}>
            {met.of === 0 ? '–' : `${met.met} of ${met.of}`}
          </Words>
        </View>
      ) : null}
    </View>
  );
}

/** The figure of a habit's week. */
const weekAsked = (track: Track, { days }: HabitWeek): FigureQuery => {
  const day = Math.min(days.last, track.today);
  return askKindOf(termsOn(track.terms, day).schedule) === 'weeks'
    ? { figure: 'habitQuota', habitId: track.habit.id, kind: 'weeks', day }
    : { figure: 'habitKept', habitId: track.habit.id, span: days };
};

function WeekCell({ track, week, color }: { track: Track; week: HabitWeek; color: string }) {
  const styles = useStyles();
  const { done, asked, verdict, days } = week;
  const words = habitWeekWords(week, track.today);
  if (verdict === null)
    return (
      <View role="cell" aria-label={words} style={styles.week}>
        <PegPicture state={days.first > track.today ? 'toCome' : 'notAsked'} sizePx={22} color={color} />
        <Words type="small"> </Words>
      </View>
    );
  const state = verdict === 'met' ? 'done' : done > 0 ? 'part' : 'blank';
  return (
    <View role="cell" style={styles.week}>
      <Figure asked={weekAsked(track, week)} label={`${track.habit.name}, ${words}`} isPlain style={styles.cell}>
        <PegPicture state={state} sizePx={22} color={color} ratio={done / asked} />
        <Words
          type={verdict === 'met' ? 'smallStrong' : 'small'}
          tone={verdict === 'open' ? 'brassText' : 'quiet'}
          style={styles.date}
        >
          {`${done}/${asked}`}
        </Words>
      </Figure>
    </View>
  );
}

const useStyles = themed((colors) => ({
  row: { flexDirection: 'row', alignItems: 'center', paddingHorizontal: SPACE.m, minHeight: 34 },
  parted: { borderTopWidth: 1, borderTopColor: colors.line, minHeight: 58 },
  name: { flex: 1, minWidth: NAME_PX, paddingRight: SPACE.s },
  link: { minHeight: 44, justifyContent: 'center' },
  week: { width: WEEK_PX, alignItems: 'center', justifyContent: 'center', gap: 1 },
  cell: { alignItems: 'center', borderBottomWidth: 0, minWidth: 44, minHeight: 44, gap: 1 },
  date: { textAlign: 'center', whiteSpace: 'nowrap' },
  sum: { width: 74 },
  sumWords: { textAlign: 'right' },
}));
