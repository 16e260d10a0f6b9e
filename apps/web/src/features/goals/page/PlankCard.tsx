import type { FiguredGoal } from '@wimbel/core';
import { View } from 'react-native';
import { BoringPicture } from '../../../charts/BoringPicture.tsx';
import {
  PACE_WORDS,
  STATE_WORDS,
  goalPaceSentence,
  holeColor,
  paceTone,
  shareWords,
  standingOf,
} from '../../../text/goalText.ts';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { percent, dateNear } from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Card } from '../../../ui/Card.tsx';
import { Words } from '../../../ui/Words.tsx';
import { Figure } from '../../../components/figure/Figure.tsx';

/** With more holes than this their shares, or what stands below them, no longer fit beside one another; the rows tell them. */
const MOST_SHARES = 6;
const MOST_STANDINGS = 5;

/** A goal's share, its pace and why, and its plank with a hole for each key result. */
export function PlankCard({ figured }: { figured: FiguredGoal }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const today = useAppSelector(selectToday);
  const { records, figures } = figured;
  const { goal, keyResults } = records;
  const isOpen = goal.state === 'open';
  const parts = keyResults.map((keyResult, place) => {
    const { progress, expected } = figures.keyResults[keyResult.id]!;
    return { id: keyResult.id, progress, expected: isOpen ? expected : null, color: holeColor(colors, place) };
  });
  const behind = shareWords(figured, today);
  return (
    <Card style={styles.card} label="How it stands">
      <View style={styles.line} role="status">
        {figures.progress === null ? (
          <Words type="display">{percent(null)}</Words>
        ) : (
          <Figure
            asked={{ figure: 'goalProgress', goalId: goal.id }}
            label={[percent(figures.progress), behind].filter(Boolean).join(', ')}
          >
            <View style={styles.line}>
              <Words type="display">{percent(figures.progress)}</Words>
              {behind === '' ? null : <Words tone="quiet">{behind}</Words>}
            </View>
          </Figure>
        )}
        {isOpen ? <PaceWords figured={figured} /> : null}
        {isOpen ? null : (
          <Words type="strong" tone="quiet">
            {STATE_WORDS[goal.state]}
          </Words>
        )}
        {isOpen && figures.expected !== null ? (
          <Figure
            asked={{ figure: 'goalExpected', goalId: goal.id }}
            label={`${percent(figures.expected)} expected by today`}
          >
            <Words tone="quiet">{percent(figures.expected)} expected by today</Words>
          </Figure>
        ) : null}
        {figures.progress !== null && figures.progress < 1 ? (
          <Words tone="quiet">{percent(1 - figures.progress)} to go</Words>
        ) : null}
      </View>
      {parts.length === 0 ? null : (
        <>
          {parts.length <= MOST_SHARES ? (
            <View style={styles.row} aria-hidden>
              {parts.map((part) => (
                <Words key={part.id} type={parts.length > 4 ? 'label' : 'strong'} style={styles.centred}>
                  {percent(part.progress)}
                </Words>
              ))}
            </View>
          ) : null}
          <BoringPicture
            parts={parts}
            heightPx={150}
            label={`The plank of this goal: ${keyResults.map((each) => `${each.title} ${percent(figures.keyResults[each.id]!.progress)}`).join(', ')}`}
          />
          {parts.length <= MOST_STANDINGS ? (
            <View style={styles.row} aria-hidden>
              {keyResults.map((keyResult) => (
                <Words key={keyResult.id} type="small" tone="quiet" style={styles.centred}>
                  {standingOf(keyResult, figures.keyResults[keyResult.id]!)}
                </Words>
              ))}
            </View>
          ) : null}
        </>
      )}
      {isOpen ? (
        <Words tone={figures.pace === 'overdue' ? 'madder' : 'ink'}>{goalPaceSentence(figured, today)}</Words>
      ) : null}
      {isOpen && figures.forecast !== null ? (
        <Figure
          asked={{ figure: 'goalForecast', goalId: goal.id }}
          label={`At this rate reached by ${dateNear(figures.forecast, today)}`}
        >
          <Words type="quiet" tone="quiet">
            At this rate reached by {dateNear(figures.forecast, today)}
          </Words>
        </Figure>
      ) : null}
    </Card>
  );
}

/** The pace in words; where something was expected by now, it can be asked what from. */
function PaceWords({ figured: { records, figures } }: { figured: FiguredGoal }) {
  const { goal } = records;
  if (!figures.pace) return null;
  const words = (
    <Words type="strong" tone={paceTone(figures.pace)}>
      {PACE_WORDS[figures.pace]}
    </Words>
  );
  return figures.expected === null ? (
    words
  ) : (
    <Figure asked={{ figure: 'goalPace', goalId: goal.id }} label={PACE_WORDS[figures.pace]}>
      {words}
    </Figure>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.s },
  line: { flexDirection: 'row', alignItems: 'baseline', columnGap: SPACE.m, flexWrap: 'wrap' },
  row: { flexDirection: 'row' },
  centred: { flex: 1, textAlign: 'center', minWidth: 0 },
}));
