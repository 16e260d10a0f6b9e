import { type DaySpan, type LookBackSpan, type PlainDay, isWritten, reviewOfSpan, spanJustBefore } from '@wimbel/core';
import { Pressable, View } from 'react-native';
import { beginningOf } from '../../../text/format.ts';
import { selectReviews, selectSettings, selectToday, selectTracks } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Card } from '../../../ui/Card.tsx';
import { CardHead } from '../../../ui/CardHead.tsx';
import { Words } from '../../../ui/Words.tsx';
import { spanTitle } from '../../../text/spanText.ts';

const SHOWN: Record<LookBackSpan, number> = { week: 6, month: 6, quarter: 4, year: 3 };

/** The looks back before this one with their first words; those that were not written stand open, without reproach. */
export function EarlierCard({
  kind,
  span,
  onGo,
}: {
  kind: LookBackSpan;
  span: DaySpan;
  onGo: (day: PlainDay) => void;
}) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const reviews = useAppSelector(selectReviews);
  const { weekStart } = useAppSelector(selectSettings);
  const first = useAppSelector(selectTracks).reduce((least, track) => Math.min(least, track.first), today);
  const spans: DaySpan[] = [];
  for (let each = spanJustBefore(kind, span, weekStart); each.last >= first && spans.length < SHOWN[kind];) {
    spans.push(each);
    each = spanJustBefore(kind, each, weekStart);
  }
  if (spans.length === 0) return null;
  return (
    <Card style={styles.card} label="Before">
      <CardHead title="Before" />
      {spans.map((each) => {
        const review = reviewOfSpan(reviews, kind, each.first);
        const { nextTimeWas: _, mostOfWins: __, mostOfLosses: ___, ...said } = review?.answers ?? {};
        const words = review !== null && isWritten(review) ? Object.values(said).find(Boolean) : undefined;
        const title = spanTitle(kind, each, today);
        return (
          <Pressable
            key={each.first}
            role="link"
            aria-label={`Look back on ${title}: ${words ?? 'not written'}`}
            onPress={() => onGo(each.first)}
            style={styles.line}
          >
            <View style={styles.words}>
              <Words type="label">{title}</Words>
              <Words type="quiet" tone="quiet">
                {words === undefined ? 'not written' : beginningOf(words, 64)}
              </Words>
            </View>
          </Pressable>
        );
      })}
    </Card>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.xs },
  line: { minHeight: 44, justifyContent: 'center' },
  words: { minWidth: 0 },
}));
