import { type Track, dayOf } from '@wimbel/core';
import { View } from 'react-native';
import { selectIsHidden, selectSettings } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { termsWords } from '../../../text/termsText.ts';
import { capital, dateNear, fullDate, spanInWords } from '../../../text/format.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Card } from '../../../ui/Card.tsx';
import { CardHead } from '../../../ui/CardHead.tsx';
import { Words } from '../../../ui/Words.tsx';
import { useHabitEdit } from './useHabitEdit.ts';
import { CardAction } from './CardAction.tsx';

/** Its terms through time, the latest first; those still to come can be taken back. */
export function TermsCard({ track }: { track: Track }) {
  const styles = useStyles();
  const edit = useHabitEdit();
  const { pipsName } = useAppSelector(selectSettings);
  const hidesPips = useAppSelector((state) => selectIsHidden(state, 'pips'));
  const { habit, today } = track;
  const list = [...habit.terms].reverse();
  return (
    <Card label="Schedule history" style={styles.card}>
      <CardHead title="Schedule history" />
      {list.map((terms, index) => {
        const next = list[index - 1];
        const from = dayOf(terms.from);
        const isFirst = index === list.length - 1;
        const begins = isFirst && from <= track.first ? `since the first day, ${fullDate(track.first)}` : null;
        const span = next
          ? `${begins === null ? '' : 'from the first day, '}${spanInWords({ first: isFirst ? track.first : from, last: dayOf(next.from) - 1 }, today)}`
          : (begins ?? `${from > today ? 'from' : 'since'} ${fullDate(from)}`);
        return (
          <View key={terms.from} style={styles.line}>
            <View style={styles.grow}>
              <Words type={index === 0 ? 'strong' : 'body'} tone={index === 0 ? 'ink' : 'quiet'}>
                {capital(termsWords(hidesPips ? { ...terms, pips: 0 } : terms, habit.measure, pipsName))}
              </Words>
              <Words type="quiet" tone="quiet">
                {capital(span)}
              </Words>
            </View>
            {from >= today && !isFirst ? (
              <CardAction
                label={`Undo the change of ${dateNear(from, today)}`}
                onPress={() =>
                  edit({ ...habit, terms: habit.terms.filter((each) => each !== terms) }, 'The change is undone')
                }
              >
                Take back
              </CardAction>
            ) : null}
          </View>
        );
      })}
    </Card>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.m },
  line: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, flexWrap: 'wrap' },
  grow: { flex: 1, minWidth: 90 },
}));
