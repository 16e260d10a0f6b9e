import {
  type Run,
  type Track,
  habitWeek,
  startOfWeek,
  weeksMetIn,
  yearOfDay,
  yearSpan,
  runsOf,
  streakUnitOn,
} from '@wimbel/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { streakFacts, type Fact } from '../../../text/habitFacts.ts';
import { weeksMetWords } from '../../../text/weekText.ts';
import { spanInWords, streakLength } from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { CardHead } from '../../../ui/CardHead.tsx';
import { Facts } from '../../../components/figure/Facts.tsx';
import { Words } from '../../../ui/Words.tsx';
import { Figure } from '../../../components/figure/Figure.tsx';

const RUNS_SHOWN = 5;

/** Of a habit that goes by weeks, how many of the last eight and of this year it met. */
function weeksFacts(track: Track): Fact[] {
  const { today, weekStart } = track;
  if (streakUnitOn(track, today) !== 'weeks') return [];
  const last = startOfWeek(today, weekStart) + 6;
  // The running week counts once it is met; until then the eight before it do.
  const isMet = habitWeek(track, { first: last - 6, last }).verdict === 'met';
  const eight = weeksMetIn(track, { first: last + 1 - (isMet ? 8 : 9) * 7, last });
  return [
    ['Last 8 weeks', weeksMetWords(eight)],
    ['This year', weeksMetWords(weeksMetIn(track, yearSpan(yearOfDay(today))))],
  ];
}

/** The streak now, the longest, and every run with its dates, the longest first. */
export function StreakCard({ track }: { track: Track }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const [showsAll, setShowsAll] = useState(false);
  const unit = streakUnitOn(track, track.today);
  const runs = useMemo(
    () => [...runsOf(track, unit)].sort((a, b) => b.length - a.length || b.first - a.first),
    [track, unit],
  );
  const longest = runs[0]?.length ?? 1;
  const words = (run: Run): string =>
    `${streakLength(run.length, unit)}, ${spanInWords(run, track.today)}${run.isAlive ? ', still alive' : ''}`;
  return (
    <Card label="Streak" style={styles.card}>
      <CardHead title="Streak" />
      <Facts facts={[...streakFacts(track), ...weeksFacts(track)]} />
      {runs.length > 1 ? (
        <View role="list" aria-label="All runs" style={styles.runs}>
          {runs.slice(0, showsAll ? undefined : RUNS_SHOWN).map((run) => (
            <View key={run.first} role="listitem" style={styles.run}>
              <Figure asked={{ figure: 'habitRun', habitId: track.habit.id, run }} label={words(run)}>
                <Words type="quiet" tone="quiet">
                  {words(run)}
                </Words>
              </Figure>
              <View
                style={[
                  styles.cord,
                  {
                    width: `${Math.max(3, (run.length / longest) * 100)}%`,
                    backgroundColor: run.isAlive ? colors.brass : colors.rim,
                  },
                ]}
              />
            </View>
          ))}
        </View>
      ) : null}
      {runs.length > RUNS_SHOWN ? (
        <View style={styles.arrows}>
          <Button kind="bare" onPress={() => setShowsAll(!showsAll)}>
            {showsAll ? 'The longest only' : `All ${runs.length} runs`}
          </Button>
        </View>
      ) : null}
    </Card>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.m },
  arrows: { flexDirection: 'row', alignItems: 'center' },
  runs: { gap: SPACE.s },
  run: { gap: 3 },
  cord: { height: 4, borderRadius: 2 },
}));
