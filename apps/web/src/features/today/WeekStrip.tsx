import { type DaySpan, type PlainDay, scoreOn } from '@wimbel/core';
import { Pressable, View } from 'react-native';
import Svg, { Circle } from 'react-native-svg';
import { selectSettings, selectToday, selectTotals } from '../../store/selectors.ts';
import { useAppSelector, useDeferredSelector } from '../../store/store.ts';
import { dayInWords, percent, weekdayLetter } from '../../text/format.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { PegShapes } from '../../ui/pegShapes.tsx';
import { Words } from '../../ui/Words.tsx';

const SIZE_PX = 40;
const R = 15;

/** Seven days with the one in view: those up to today while it is among them, else with it in the middle. */
function stripSpan(day: PlainDay, today: PlainDay): DaySpan {
  const last = today - day < 7 ? today : day + 3;
  return { first: last - 6, last };
}

/** A week of days: seven holes filling with the day score, the day in view ringed. */
export function WeekStrip({ day, onChoose }: { day: PlainDay; onChoose: (day: PlainDay) => void }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const { passMark } = useAppSelector(selectSettings);
  const today = useAppSelector(selectToday);
  const span = stripSpan(day, today);
  const totals = useDeferredSelector(selectTotals);
  return (
    <View style={styles.row} role="group" aria-label="Seven days">
      {Array.from({ length: 7 }, (_, index) => span.first + index).map((each) => {
        const { score, done, due, full } = scoreOn(totals, each, passMark);
        const isFuture = each > today;
        const state = isFuture ? 'toCome' : score === null ? 'notAsked' : full ? 'done' : done > 0 ? 'part' : 'blank';
        const isShown = each === day;
        const words = isFuture
          ? 'still to come'
          : score === null
            ? 'nothing due'
            : `${done} of ${due}, ${percent(score)}`;
        return (
          <Pressable
            key={each}
            role="button"
            aria-label={`${dayInWords(each)}: ${words}`}
            aria-current={isShown ? 'date' : undefined}
            aria-disabled={isFuture}
            disabled={isFuture}
            onPress={() => onChoose(each)}
            style={styles.day}
          >
            <Svg width={SIZE_PX} height={SIZE_PX} aria-hidden>
              {isShown ? (
                <Circle
                  cx={SIZE_PX / 2}
                  cy={SIZE_PX / 2}
                  r={R + 3.6}
                  fill="none"
                  stroke={colors.brass}
                  strokeWidth={1.8}
                />
              ) : null}
              <PegShapes
                state={state}
                x={SIZE_PX / 2}
                y={SIZE_PX / 2}
                r={R}
                color={colors.working}
                ratio={score ?? 0}
              />
            </Svg>
            <Words type={isShown ? 'smallStrong' : 'small'} tone={isShown ? 'ink' : 'quiet'} style={styles.letter}>
              {weekdayLetter(each)}
            </Words>
          </Pressable>
        );
      })}
    </View>
  );
}

const useStyles = themed(() => ({
  row: { flexDirection: 'row', justifyContent: 'space-between', maxWidth: 388, marginHorizontal: -8 },
  day: { alignItems: 'center', flexGrow: 1, flexShrink: 1, flexBasis: 44, maxWidth: 60, minHeight: 60, gap: 2 },
  letter: { fontSize: 13, lineHeight: 16 },
}));
