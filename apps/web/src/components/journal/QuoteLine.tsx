import { quoteOfDay } from '@wimbel/core';
import { View } from 'react-native';
import { themed } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Words } from '../../ui/Words.tsx';
import { selectShownQuotes, selectToday } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';

/** The quote of the day, of those the person wrote down. */
export function QuoteLine() {
  const styles = useStyles();
  const quotes = useAppSelector(selectShownQuotes);
  const today = useAppSelector(selectToday);
  const quote = quoteOfDay(Object.values(quotes), today);
  if (quote === null) return null;
  return (
    <View role="note" aria-label="Quote of the day" style={styles.quote}>
      <Words>{quote.text}</Words>
      {quote.by ? (
        <Words type="quiet" tone="quiet">
          {quote.by}
        </Words>
      ) : null}
    </View>
  );
}

const useStyles = themed((colors) => ({
  quote: { borderLeftWidth: 3, borderLeftColor: colors.brass, paddingLeft: SPACE.m, gap: 2, maxWidth: 720 },
}));
