import type { Mood, Settings } from '@wimbel/core';
import { useState } from 'react';
import { View } from 'react-native';
import { themed } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Field, Labelled } from '../../ui/Field.tsx';
import { SunPicture } from '../../ui/SunPicture.tsx';
import { Words } from '../../ui/Words.tsx';
import { MOODS, moodWord } from '../../text/moodText.ts';

type Mark = NonNullable<Settings['moodMarks']>[number];

const [LONGEST_SIGN, LONGEST_WORD] = [8, 24];

/** A sign and a word of one's own for each of the five moods; what is left empty is the sun, and the usual word. */
export function MoodMarksField({ marks, onChange }: { marks: readonly Mark[]; onChange: (marks: Mark[]) => void }) {
  const styles = useStyles();
  const [isOpen, setIsOpen] = useState(marks.length > 0);
  const put = (mood: Mood, more: Partial<Mark>): void => {
    const own = { ...marks.find((each) => each.mood === mood), ...more };
    const mark: Mark = {
      mood,
      ...(own.symbol?.trim() ? { symbol: own.symbol.trim() } : {}),
      ...(own.word?.trim() ? { word: own.word.trim() } : {}),
    };
    const others = marks.filter((each) => each.mood !== mood);
    const next = mark.symbol || mark.word ? [...others, mark] : others;
    onChange(next.sort((a, b) => a.mood - b.mood));
  };
  return (
    <Labelled label="Your own signs and words for moods" hint="A sign can be any character. No figure depends on them.">
      {isOpen ? (
        <View style={styles.list}>
          {MOODS.map((mood) => (
            <MoodMarkRow
              key={mood}
              mood={mood}
              mark={marks.find((each) => each.mood === mood)}
              onKeep={(more) => put(mood, more)}
            />
          ))}
          {marks.length === 0 ? null : (
            <Button kind="bare" onPress={() => onChange([])} style={styles.back}>
              Back to suns and the usual words
            </Button>
          )}
        </View>
      ) : (
        <Button onPress={() => setIsOpen(true)} style={styles.back}>
          Choose your own
        </Button>
      )}
    </Labelled>
  );
}

function MoodMarkRow({
  mood,
  mark,
  onKeep,
}: {
  mood: Mood;
  mark: Mark | undefined;
  onKeep: (more: Partial<Mark>) => void;
}) {
  const styles = useStyles();
  const [symbol, setSymbol] = useState<string | null>(null);
  const [word, setWord] = useState<string | null>(null);
  const usual = moodWord({}, mood);
  const keepSymbol = (): void => {
    if (symbol !== null) onKeep({ symbol });
    setSymbol(null);
  };
  const keepWord = (): void => {
    if (word !== null) onKeep({ word });
    setWord(null);
  };
  return (
    <View style={styles.row}>
      <View style={styles.sun}>
        {mark?.symbol ? <Words type="section">{mark.symbol}</Words> : <SunPicture mood={mood} isChosen widthPx={36} />}
      </View>
      <View style={styles.sign}>
        <Field
          label={`Sign for ${usual}`}
          value={symbol ?? mark?.symbol ?? ''}
          onChangeText={setSymbol}
          onBlur={keepSymbol}
          onSubmitEditing={keepSymbol}
          maxLength={LONGEST_SIGN}
        />
      </View>
      <View style={styles.word}>
        <Field
          label={`Word for ${usual}`}
          value={word ?? mark?.word ?? ''}
          placeholder={usual}
          onChangeText={setWord}
          onBlur={keepWord}
          onSubmitEditing={keepWord}
          maxLength={LONGEST_WORD}
        />
      </View>
    </View>
  );
}

const useStyles = themed(() => ({
  list: { gap: SPACE.m },
  row: { flexDirection: 'row', alignItems: 'flex-end', gap: SPACE.s },
  sun: { width: 40, alignItems: 'center', paddingBottom: SPACE.s },
  sign: { width: 104 },
  word: { flex: 1, minWidth: 0 },
  back: { alignSelf: 'flex-start' },
}));
