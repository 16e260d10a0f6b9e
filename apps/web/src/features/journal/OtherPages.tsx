import type { JournalPage } from '@wimbel/core';
import { View } from 'react-native';
import { SPACE } from '../../theme/space.ts';
import { Card } from '../../ui/Card.tsx';
import { Words } from '../../ui/Words.tsx';
import { selectSettings } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { moodWord } from '../../words/moodWords.ts';

const TITLES = { morning: 'Written in the morning', day: 'Also written that day', evening: 'Written in the evening' };

/** What stands on the day's other pages beside answers to prompts: free text, a mood, feelings. */
export function OtherPages({ pages }: { pages: readonly JournalPage[] }) {
  const settings = useAppSelector(selectSettings);
  const shown = pages.filter(({ text, mood, feelings = [] }) => text || mood || feelings.length > 0);
  return shown.map(({ id, part, text, mood, feelings = [] }) => (
    <Card key={id} label={TITLES[part]} style={{ gap: SPACE.xs }}>
      <Words type="label" tone="quiet" heading={2}>
        {TITLES[part]}
      </Words>
      {mood || feelings.length > 0 ? (
        <Words type="quiet" tone="quiet">
          {[mood ? moodWord(settings, mood) : '', ...feelings].filter(Boolean).join(', ')}
        </Words>
      ) : null}
      {text ? (
        <View>
          {text.split(/\n{2,}/).map((paragraph, at) => (
            <Words key={at}>{paragraph}</Words>
          ))}
        </View>
      ) : null}
    </Card>
  ));
}
