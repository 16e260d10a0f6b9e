import { type JournalPage, type Mood, feelingsByUse } from '@wimbel/core';
import Plus from 'lucide-react-native/icons/plus';
import { useState } from 'react';
import { View } from 'react-native';
import { MoodChoice } from '../../../components/entry/MoodChoice.tsx';
import { selectIsHidden, selectJournal } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { Chips } from '../../../ui/Chips.tsx';
import { FeelingsSheet, NewFeeling } from './FeelingsSheet.tsx';
import { PageWriting } from './PageWriting.tsx';
import type { JournalDay } from '../../../components/journal/useJournalDay.ts';

/** So many feelings stand as chips before the others are asked for. */
const MOST_OFFERED = 8;
const LONGEST_PAGE = 20_000;

/** How the day was, what made it so, and what it felt like. */
export function MoodCard({
  page,
  write,
  keepBeside,
}: { page: JournalPage | null } & Pick<JournalDay, 'write' | 'keepBeside'>) {
  const styles = useStyles();
  const hidesMood = useAppSelector((state) => selectIsHidden(state, 'mood'));
  const setMood = (mood: Mood): void =>
    write('day', ({ mood: before, ...rest }) => (before === mood ? rest : { ...rest, mood }));
  return (
    <Card style={styles.card} label="How the day was">
      {hidesMood ? null : <MoodChoice chosen={page?.mood ?? null} onChoose={setMood} />}
      <PageWriting
        label={hidesMood ? 'What happened' : 'Why?'}
        text={page?.text ?? ''}
        maxLength={LONGEST_PAGE}
        onChange={(text) => write('day', ({ text: _, ...rest }) => (text === '' ? rest : { ...rest, text }))}
        onOther={(text) => keepBeside('day', { text })}
      />
      <Feelings
        chosen={page?.feelings ?? []}
        onChange={(feelings) =>
          write('day', ({ feelings: _, ...rest }) => (feelings.length === 0 ? rest : { ...rest, feelings }))
        }
      />
    </Card>
  );
}

/** Feelings in the person's own words: those used most as chips, the others behind them, and a new one typed. */
function Feelings({ chosen, onChange }: { chosen: readonly string[]; onChange: (feelings: string[]) => void }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const known = feelingsByUse(useAppSelector(selectJournal));
  const [isTyping, setIsTyping] = useState(false);
  const [isSorting, setIsSorting] = useState(false);
  const offered = [...new Set([...chosen, ...known.slice(0, MOST_OFFERED)])];
  const toggle = (feeling: string): void =>
    onChange(chosen.includes(feeling) ? chosen.filter((each) => each !== feeling) : [...chosen, feeling]);
  return (
    <View style={styles.feelings}>
      {offered.length === 0 ? null : (
        <Chips
          label="Feelings"
          isMultiple
          chips={offered.map((feeling) => ({ value: feeling, label: feeling }))}
          chosen={chosen}
          onPress={toggle}
        />
      )}
      {isTyping ? (
        <NewFeeling
          known={known}
          onAdd={(feeling) => {
            if (!chosen.includes(feeling)) onChange([...chosen, feeling]);
          }}
          onClose={() => setIsTyping(false)}
        />
      ) : (
        <View style={styles.buttons}>
          <Button kind="bare" icon={<Plus size={18} color={colors.working} />} onPress={() => setIsTyping(true)}>
            Add a feeling
          </Button>
          {known.length > 0 ? (
            <Button kind="bare" onPress={() => setIsSorting(true)}>
              Your words
            </Button>
          ) : null}
        </View>
      )}
      {isSorting ? <FeelingsSheet onClose={() => setIsSorting(false)} /> : null}
    </View>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.m },
  feelings: { gap: SPACE.xs },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', marginLeft: -SPACE.m },
}));
