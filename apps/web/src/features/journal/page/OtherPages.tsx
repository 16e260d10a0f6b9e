import { type JournalPage, JOURNAL_PARTS } from '@wimbel/core';
import { View } from 'react-native';
import { WrittenText } from '../../../components/journal/WrittenText.tsx';
import { selectSettings } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { Words } from '../../../ui/Words.tsx';
import { moodWord } from '../../../text/moodText.ts';
import type { JournalDay } from '../../../components/journal/useJournalDay.ts';

const TITLES = { morning: 'Written in the morning', day: 'Also written that day', evening: 'Written in the evening' };

/** A part's own page, that is written in; whatever else there is of the part came from another device. */
const ownPages = (pages: readonly JournalPage[]): ReadonlySet<JournalPage> =>
  new Set(JOURNAL_PARTS.flatMap((part) => pages.find((page) => page.part === part) ?? []));

/** Whether all that a page says stands in another already. */
const isHeldBy = (page: JournalPage, own: JournalPage | undefined): boolean =>
  own !== undefined && !page.answers?.length && (own.text ?? '').includes((page.text ?? '').trim());

/**
 * What stands on the day's other pages: the text of the morning's and the evening's, and what was written on another device
 * at the same time, offered to be put together.
 */
export function OtherPages({
  pages,
  putTogether,
  leaveOut,
}: { pages: readonly JournalPage[] } & Pick<JournalDay, 'putTogether' | 'leaveOut'>) {
  const styles = useStyles();
  const settings = useAppSelector(selectSettings);
  const own = ownPages(pages);
  const ownOf = (page: JournalPage) => [...own].find((each) => each.part === page.part);
  return pages.map((page) => {
    const { id, part, text, mood, feelings = [], answers = [] } = page;
    const isOwn = own.has(page);
    // The day's own page is written in above; answers of the others stand with their prompts.
    const isShown = isOwn
      ? part !== 'day' && Boolean(text || mood || feelings.length > 0)
      : !isHeldBy(page, ownOf(page));
    if (!isShown) return null;
    const title = isOwn ? TITLES[part] : 'Written on another device at the same time';
    return (
      <Card key={id} label={title} style={styles.card}>
        <Words type="label" tone="quiet" heading={2}>
          {title}
        </Words>
        {mood || feelings.length > 0 ? (
          <Words type="quiet" tone="quiet">
            {[mood ? moodWord(settings, mood) : '', ...feelings].filter(Boolean).join(', ')}
          </Words>
        ) : null}
        {text ? <WrittenText text={text} /> : null}
        {isOwn
          ? null
          : answers.map(({ promptId, promptText, text: said, items = [] }) => (
              <View key={promptId} style={styles.answer}>
                {promptText ? (
                  <Words type="quiet" tone="quiet">
                    {promptText}
                  </Words>
                ) : null}
                <WrittenText text={[said ?? '', ...items.map((item) => `- ${item.text}`)].filter(Boolean).join('\n')} />
              </View>
            ))}
        {isOwn ? null : (
          <View style={styles.buttons}>
            <Button onPress={() => putTogether(page)}>Put below the other</Button>
            <Button kind="bare" onPress={() => leaveOut(page)}>
              Leave it out
            </Button>
          </View>
        )}
      </Card>
    );
  });
}

const useStyles = themed(() => ({
  card: { gap: SPACE.s },
  answer: { gap: 2 },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
}));
