import { type FiguredGoal, type StoryItem, goalStory, monthOfDay } from '@wimbel/core';
import { memo, useMemo, useState } from 'react';
import { View } from 'react-native';
import { storyWords } from '../../../text/goalText.ts';
import { selectSettings, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { dateNumber, monthAndYear, percent } from '../../../text/format.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { Words } from '../../../ui/Words.tsx';

const FIRST = 12;

/** Everything that changed the goal, the latest first, with the words written then. */
export const StoryCard = memo(function StoryCard({ figured }: { figured: FiguredGoal }) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const [isWhole, setIsWhole] = useState(false);
  const items = useMemo(
    () => goalStory(figured.records, figured.trackOf, today, weekStart),
    [figured, today, weekStart],
  );
  const shown = isWhole ? items : items.slice(0, FIRST);
  if (items.length === 0) return null;
  return (
    <SectionCard title="Its story">
      <View role="list" aria-label="Story of the goal" style={styles.list}>
        {shown.map((item, index) => (
          <StoryLine
            key={index}
            item={item}
            today={today}
            startsMonth={index === 0 || monthOfDay(shown[index - 1]!.day) !== monthOfDay(item.day)}
          />
        ))}
      </View>
      {items.length > FIRST ? (
        <Button kind="bare" onPress={() => setIsWhole(!isWhole)} style={styles.more}>
          {isWhole ? 'The latest only' : `All ${items.length}, back to the beginning`}
        </Button>
      ) : null}
    </SectionCard>
  );
});

function StoryLine({ item, today, startsMonth }: { item: StoryItem; today: number; startsMonth: boolean }) {
  const styles = useStyles();
  const { text, note } = storyWords(item, today);
  const date = item.first === item.day ? dateNumber(item.day) : `${dateNumber(item.first)}–${dateNumber(item.day)}`;
  return (
    <View role="listitem">
      {startsMonth ? (
        <Words type="label" tone="quiet" heading={3} style={styles.month}>
          {monthAndYear(monthOfDay(item.day))}
        </Words>
      ) : null}
      <View style={styles.line}>
        <Words type="label" tone="quiet" style={styles.date}>
          {date}
        </Words>
        <View style={styles.words}>
          <Words>{text}</Words>
          {note ? <Words tone="quiet">{note}</Words> : null}
        </View>
        {item.after === null ? null : (
          <Words type="label" tone="quiet" label={`the goal at ${percent(item.after)}`}>
            {percent(item.after)}
          </Words>
        )}
      </View>
    </View>
  );
}

const useStyles = themed(() => ({
  list: { gap: SPACE.s },
  month: { paddingTop: SPACE.s },
  line: { flexDirection: 'row', gap: SPACE.m, alignItems: 'baseline' },
  date: { width: 42 },
  words: { flex: 1, minWidth: 0 },
  more: { alignSelf: 'flex-start', marginLeft: -SPACE.s },
}));
