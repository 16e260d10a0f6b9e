import { useRouter } from 'expo-router';
import { Pressable } from 'react-native';
import Svg, { Circle } from 'react-native-svg';
import { number } from '../../text/amounts.ts';
import { PATHS } from '../../platform/paths.ts';
import { selectHasPips, selectPipsBalance } from '../../store/pipsSelectors.ts';
import { selectSettings } from '../../store/selectors.ts';
import { type RootState, useAppSelector, useDeferredSelector } from '../../store/store.ts';
import { themed, useIsWide, useTheme } from '../../theme/Theme.tsx';
import { CORNER, SPACE, TOUCH_PX } from '../../theme/space.ts';
import { Words } from '../../ui/Words.tsx';
import { pipsWords } from '../../text/pipsText.ts';

const selectBalance = (state: RootState): number => (selectHasPips(state) ? selectPipsBalance(state) : 0);

/** What is left of what was earned, and the way to rewards; a ring instead of a disc where it is below zero. */
export function BalanceKey() {
  const styles = useStyles();
  const isWide = useIsWide();
  const { colors } = useTheme();
  const router = useRouter();
  const hasPips = useAppSelector(selectHasPips);
  const balance = useDeferredSelector(selectBalance);
  const settings = useAppSelector(selectSettings);
  if (!hasPips) return null;
  const told = balance < 0 ? `${pipsWords(settings, -balance)} below zero` : `${pipsWords(settings, balance)} left`;
  return (
    <Pressable
      role="link"
      aria-label={`Rewards: ${told}`}
      onPress={() => router.push(PATHS.rewards)}
      style={[styles.key, isWide && styles.wide]}
    >
      <Svg width={14} height={14} viewBox="0 0 14 14" aria-hidden>
        <Circle
          cx={7}
          cy={7}
          r={5.6}
          fill={balance < 0 ? 'none' : colors.brass}
          stroke={colors.brass}
          strokeWidth={1.6}
        />
        {balance < 0 ? null : <Circle cx={7} cy={7} r={1.6} fill={colors.paper} />}
      </Svg>
      <Words type="strong" tone={balance < 0 ? 'madder' : 'ink'}>
        {balance < 0 ? `\u2212${number(-balance)}` : number(balance)}
      </Words>
    </Pressable>
  );
}

const useStyles = themed((colors) => ({
  key: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: 6,
    minHeight: TOUCH_PX,
    paddingHorizontal: SPACE.m,
    borderRadius: CORNER.pill,
    borderWidth: 1,
    borderColor: colors.line,
    backgroundColor: colors.raised,
  },
  wide: { marginRight: SPACE.s },
}));
