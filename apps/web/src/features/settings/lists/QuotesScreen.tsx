import type { Quote } from '@wimbel/core';
import Plus from 'lucide-react-native/icons/plus';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { useRecording } from '../../../sync/recording.ts';
import { changeTo, newId, removalOf } from '../../../store/makeChange.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { EmptyState } from '../../../ui/EmptyState.tsx';
import { Field } from '../../../ui/Field.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { PageHead } from '../../../ui/PageHead.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { Words } from '../../../ui/Words.tsx';
import { PATHS } from '../../../platform/paths.ts';

/** The person's own quotes, of which one a day stands on top of Today and Goals. */
export function QuotesScreen() {
  const styles = useStyles();
  const { colors } = useTheme();
  const quotes = useAppSelector((state) => state.records.quotes);
  const [edited, setEdited] = useState<Quote | 'new' | null>(null);
  const inOrder = Object.values(quotes).sort((a, b) => (a.id < b.id ? -1 : 1));
  return (
    <Page>
      <PageHead title="Your quotes" backTo={PATHS.settings}>
        <Button icon={<Plus size={18} color={colors.ink} />} onPress={() => setEdited('new')}>
          Add a quote
        </Button>
      </PageHead>
      {inOrder.length === 0 ? (
        <EmptyState
          title="No quotes yet"
          text="Write down what keeps you at it. One a day stands on top of Today and Goals."
        />
      ) : (
        <Card isFlush style={styles.list} label="Quotes">
          {inOrder.map((quote, place) => (
            <Pressable
              key={quote.id}
              role="button"
              aria-label={`Edit: ${quote.text}`}
              onPress={() => setEdited(quote)}
              style={[styles.quote, place > 0 && styles.parted]}
            >
              <Words>{quote.text}</Words>
              {quote.by ? (
                <Words type="quiet" tone="quiet">
                  {quote.by}
                </Words>
              ) : null}
            </Pressable>
          ))}
        </Card>
      )}
      {edited === null ? null : <QuoteSheet quote={edited === 'new' ? null : edited} onClose={() => setEdited(null)} />}
    </Page>
  );
}

function QuoteSheet({ quote, onClose }: { quote: Quote | null; onClose: () => void }) {
  const { change } = useRecording();
  const toast = useToast();
  const [text, setText] = useState(quote?.text ?? '');
  const [by, setBy] = useState(quote?.by ?? '');
  const [fault, setFault] = useState<string | undefined>();
  const save = (): void => {
    if (text.trim() === '') {
      setFault('Write the quote down');
      return;
    }
    const next: Quote = {
      id: quote?.id ?? newId(),
      text: text.trim(),
      ...(by.trim() === '' ? {} : { by: by.trim() }),
    };
    toast({ text: quote ? 'The quote is changed' : 'The quote is added', onUndo: change(changeTo('quotes', next)) });
    onClose();
  };
  const remove = (): void => {
    if (quote === null) return;
    toast({ text: 'The quote is deleted', onUndo: change(removalOf('quotes', quote.id)) });
    onClose();
  };
  return (
    <Sheet title={quote ? 'Quote' : 'A new quote'} onClose={onClose}>
      <Field
        label="The quote"
        value={text}
        onChangeText={setText}
        error={fault}
        multiline
        maxLength={2000}
        autoFocus={quote === null}
      />
      <Field label="Who said it" value={by} onChangeText={setBy} maxLength={200} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button kind="main" onPress={save}>
          {quote ? 'Save' : 'Add quote'}
        </Button>
        <Button kind="bare" onPress={onClose}>
          Cancel
        </Button>
        {quote ? <Button onPress={remove}>Delete</Button> : null}
      </View>
    </Sheet>
  );
}

const useStyles = themed((colors) => ({
  list: { maxWidth: 720 },
  quote: { padding: SPACE.l, gap: 2, minHeight: 52 },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
}));
