import { type PlainDay, formatDay } from '@wimbel/core';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { MoodChoice } from '../../components/entry/MoodChoice.tsx';
import { useJournalDay } from '../../components/journal/useJournalDay.ts';
import { journalPath } from '../../platform/paths.ts';
import { selectIsHidden } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Card } from '../../ui/Card.tsx';
import { Words } from '../../ui/Words.tsx';

/** How the day was, one tap out of five, and the way to say why. */
export function MoodToday({ day }: { day: PlainDay }) {
  const router = useRouter();
  const isHidden = useAppSelector((state) => selectIsHidden(state, 'mood') || selectIsHidden(state, 'journal'));
  const { pages, write } = useJournalDay(day);
  if (isHidden) return null;
  const own = pages.find((page) => page.part === 'day');
  const mood = own?.mood ?? null;
  const isOpen = mood !== null && !own?.text;
  return (
    <View style={{ gap: SPACE.s }}>
      <Words type="label" tone="quiet" heading={3} style={{ paddingHorizontal: SPACE.xs }}>
        How was the day?
      </Words>
      <Card label="How was the day?">
        <MoodChoice
          chosen={mood}
          onChoose={(next) =>
            write('day', ({ mood: before, ...rest }) => (before === next ? rest : { ...rest, mood: next }))
          }
        />
        {isOpen ? (
          <Button
            kind="bare"
            onPress={() => router.push(journalPath(formatDay(day)))}
            style={{ alignSelf: 'flex-start' }}
          >
            Say why, in the journal
          </Button>
        ) : null}
      </Card>
    </View>
  );
}
