import { type PlainDay, monthOfDay } from '@wimbel/core';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { useMonthPage } from '../../../components/journal/MonthAims.tsx';
import { NoteField } from '../../../components/entry/NoteField.tsx';
import { monthName } from '../../../text/format.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE, TOUCH_PX } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Words } from '../../../ui/Words.tsx';

const LONGEST_WORD = 200;

/** The word of the month and what to keep in mind in it, changed where they stand. */
export function MonthWords({ day }: { day: PlainDay }) {
  const styles = useStyles();
  const [isOpen, setIsOpen] = useState(false);
  const month = monthOfDay(day);
  const [page, keep] = useMonthPage(month);
  const name = monthName(month);
  if (isOpen) {
    return (
      <View style={styles.words}>
        <NoteField
          key={`word ${month}`}
          label={`A word for ${name}`}
          note={page.word ?? ''}
          maxLength={LONGEST_WORD}
          onChange={(word) => keep({ ...page, word })}
        />
        <NoteField
          key={`aims ${month}`}
          label="To keep in mind, one a line"
          note={page.aims.join('\n')}
          onChange={(text) =>
            keep({
              ...page,
              aims: text
                .split('\n')
                .map((line) => line.trim())
                .filter(Boolean),
            })
          }
        />
        <Button kind="bare" onPress={() => setIsOpen(false)} style={styles.done}>
          Done
        </Button>
      </View>
    );
  }
  const hasWords = Boolean(page.word) || page.aims.length > 0;
  return (
    <Pressable
      role="button"
      aria-label={hasWords ? `Change the word and aims of ${name}` : `Give ${name} a word, and what to keep in mind`}
      onPress={() => setIsOpen(true)}
      style={[styles.words, styles.press]}
    >
      {hasWords ? (
        <>
          <Words type="strong">{page.word ? `${name}: ${page.word}` : name}</Words>
          {page.aims.length > 0 ? (
            <Words type="quiet" tone="quiet">
              {page.aims.join(' · ')}
            </Words>
          ) : null}
        </>
      ) : (
        <Words type="quiet" tone="quiet">
          Give {name} a word, and what to keep in mind
        </Words>
      )}
    </Pressable>
  );
}

const useStyles = themed((colors) => ({
  words: { borderLeftWidth: 3, borderLeftColor: colors.brass, paddingLeft: SPACE.m, gap: SPACE.xs, maxWidth: 720 },
  press: { minHeight: TOUCH_PX, justifyContent: 'center' },
  done: { alignSelf: 'flex-start', marginLeft: -SPACE.m },
}));
