import type { FiguredGoal, KeyResult } from '@wimbel/core';
import Plus from 'lucide-react-native/icons/plus';
import { Pressable, View } from 'react-native';
import { isFedByCheckIns } from '../../../text/neediest.ts';
import { holeColor, paceSentence, standingOf, leftWords } from '../../../text/goalText.ts';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { percent } from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { Words } from '../../../ui/Words.tsx';

type Props = { figured: FiguredGoal; onOpen: (keyResult: KeyResult) => void; onAdd: () => void };

/** The key results of a goal, each with where it stands and why; a tap checks in. */
export function KeyResultRows({ figured, onOpen, onAdd }: Props) {
  const styles = useStyles();
  const { colors } = useTheme();
  const today = useAppSelector(selectToday);
  const { records, figures } = figured;
  const isOpen = records.goal.state === 'open';
  const add = (
    <Button kind="bare" icon={<Plus size={17} color={colors.working} />} onPress={onAdd}>
      Add a key result
    </Button>
  );
  return (
    <SectionCard title="Key results" aside={add} isFlush>
      {records.keyResults.length === 0 ? (
        <Words tone="quiet" style={styles.none}>
          No key result yet. What would show that you are getting there?
        </Words>
      ) : null}
      {records.keyResults.map((keyResult, place) => {
        const own = figures.keyResults[keyResult.id]!;
        const standing = standingOf(keyResult, own);
        return (
          <Pressable
            key={keyResult.id}
            dataSet={{ id: keyResult.id }}
            role="button"
            aria-label={`${keyResult.title}: ${standing}, ${percent(own.progress)}. ${isFedByCheckIns(keyResult) ? 'Check in' : 'More'}`}
            onPress={() => onOpen(keyResult)}
            style={({ pressed }) => [styles.row, place > 0 && styles.parted, pressed && styles.pressed]}
          >
            <View style={[styles.dot, { backgroundColor: holeColor(colors, place) }]} />
            <View style={styles.grow}>
              <View style={styles.line}>
                <Words type="name" style={styles.grow}>
                  {keyResult.title}
                </Words>
                <Words type="strong">{standing}</Words>
                {leftWords(keyResult, own) === '' ? null : (
                  <Words type="quiet" tone="quiet">
                    {leftWords(keyResult, own)}
                  </Words>
                )}
              </View>
              <Words type="quiet" tone={isOpen && own.pace === 'overdue' ? 'madder' : 'quiet'}>
                {isOpen ? paceSentence(keyResult, own, today) : `${percent(own.progress)} of the way`}
                {(keyResult.weight ?? 1) === 1 ? '' : ` Weighs ${keyResult.weight}.`}
              </Words>
            </View>
          </Pressable>
        );
      })}
    </SectionCard>
  );
}

const useStyles = themed((colors) => ({
  none: { padding: SPACE.l },
  row: { flexDirection: 'row', gap: SPACE.m, padding: SPACE.l, minHeight: 52 },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  pressed: { backgroundColor: colors.wash },
  dot: { width: 10, height: 10, borderRadius: 5, marginTop: 6 },
  grow: { flex: 1, minWidth: 0 },
  line: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'baseline', columnGap: SPACE.m },
}));
