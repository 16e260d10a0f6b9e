import { type Track, variantFigures, eachEntry } from '@wimbel/core';
import { useState } from 'react';
import { View } from 'react-native';
import { selectEntries } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { amount } from '../../../text/amounts.ts';
import { counted, dateNear } from '../../../text/format.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Card } from '../../../ui/Card.tsx';
import { CardHead } from '../../../ui/CardHead.tsx';
import { Words } from '../../../ui/Words.tsx';
import { VariantsSheet } from './HabitSheets.tsx';
import { CardAction } from './CardAction.tsx';

/** Its ways, with how often and when last each was done. */
export function VariantsCard({ track }: { track: Track }) {
  const styles = useStyles();
  const [isOpen, setIsOpen] = useState(false);
  const { habit, today } = track;
  const entries = useAppSelector((state) => selectEntries(state, habit.id));
  const figures = variantFigures(habit, [...eachEntry(entries)], today);
  const groups = [...new Set(figures.map((each) => each.group))];
  const unit = habit.measure.kind === 'amount' ? habit.measure.unit : '';
  return (
    <Card label="Ways of doing it" style={styles.card}>
      <CardHead
        title="Ways of doing it"
        aside={
          <CardAction label="Change the ways of doing it" onPress={() => setIsOpen(true)}>
            {figures.length === 0 ? 'Add' : 'Change'}
          </CardAction>
        }
      />
      {figures.length === 0 ? (
        <Words type="quiet" tone="quiet">
          Exercises, pieces or routes of this habit. Checking off then asks which it was.
        </Words>
      ) : null}
      {groups.map((group) => (
        <View key={group ?? ''} style={styles.group}>
          {group === null ? null : (
            <Words type="label" tone="quiet">
              {group}
            </Words>
          )}
          {figures
            .filter((each) => each.group === group)
            .map((each) => (
              <View key={each.id} style={styles.line}>
                <Words style={styles.grow}>{each.name}</Words>
                <Words type="quiet" tone="quiet">
                  {each.last === null
                    ? 'not yet'
                    : [
                        counted(each.times, 'time'),
                        each.amount === null ? '' : amount(each.amount, unit),
                        `last ${dateNear(each.last, today)}`,
                      ]
                        .filter(Boolean)
                        .join(', ')}
                </Words>
              </View>
            ))}
        </View>
      ))}
      {isOpen ? <VariantsSheet habit={habit} onClose={() => setIsOpen(false)} /> : null}
    </Card>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.m },
  line: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, flexWrap: 'wrap' },
  grow: { flex: 1, minWidth: 90 },
  group: { gap: SPACE.xs },
}));
