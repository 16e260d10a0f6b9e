import { feelingFigures, feelingsByUse, moodByDay, withFeelingRenamed } from '@wimbel/core';
import { useState } from 'react';
import { View } from 'react-native';
import { counted } from '../../../text/format.ts';
import { changeTo } from '../../../store/makeChange.ts';
import { selectJournal, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useRecording } from '../../../sync/recording.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Field } from '../../../ui/Field.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { Words } from '../../../ui/Words.tsx';

const LONGEST_FEELING = 40;

/** A feeling typed; Enter takes it and waits for the next. One that differs only in capitals is the known one. */
export function NewFeeling({
  known,
  onAdd,
  onClose,
}: {
  known: readonly string[];
  onAdd: (feeling: string) => void;
  onClose: () => void;
}) {
  const styles = useStyles();
  const [text, setText] = useState('');
  const add = (): void => {
    const word = text.trim();
    if (word === '') return onClose();
    onAdd(known.find((each) => each.toLowerCase() === word.toLowerCase()) ?? word);
    setText('');
  };
  return (
    <View style={styles.line}>
      <View style={styles.grow}>
        <Field
          label="A feeling, in a word"
          value={text}
          onChangeText={setText}
          onSubmitEditing={add}
          blurOnSubmit={false}
          maxLength={LONGEST_FEELING}
          autoFocus
        />
      </View>
      <Button onPress={add}>{text.trim() === '' ? 'Done' : 'Add'}</Button>
    </View>
  );
}

/** The feelings that were written, by how many days, with their mean mood; renamed everywhere, or joined. */
export function FeelingsSheet({ onClose }: { onClose: () => void }) {
  const journal = useAppSelector(selectJournal);
  const today = useAppSelector(selectToday);
  const [renamed, setRenamed] = useState<string | null>(null);
  const figures = feelingFigures(journal, moodByDay(journal), today);
  return (
    <Sheet title="Your words for feelings" onClose={onClose}>
      {feelingsByUse(journal).map((feeling) =>
        feeling === renamed ? (
          <Rename key={feeling} feeling={feeling} onClose={() => setRenamed(null)} />
        ) : (
          <FeelingLine
            key={feeling}
            feeling={feeling}
            days={figures.get(feeling)?.days ?? 0}
            mood={figures.get(feeling)?.mood ?? null}
            onRename={() => setRenamed(feeling)}
          />
        ),
      )}
    </Sheet>
  );
}

function FeelingLine({
  feeling,
  days,
  mood,
  onRename,
}: {
  feeling: string;
  days: number;
  mood: number | null;
  onRename: () => void;
}) {
  const styles = useStyles();
  return (
    <View style={styles.line}>
      <View style={styles.grow}>
        <Words type="name">{feeling}</Words>
        <Words type="quiet" tone="quiet">
          {counted(days, 'day')}
          {mood === null ? '' : `, mood ${mood.toFixed(1)} of 5 on average`}
        </Words>
      </View>
      <Button kind="bare" label={`Rename ${feeling}`} onPress={onRename}>
        Rename
      </Button>
    </View>
  );
}

function Rename({ feeling, onClose }: { feeling: string; onClose: () => void }) {
  const styles = useStyles();
  const journal = useAppSelector(selectJournal);
  const { change } = useRecording();
  const toast = useToast();
  const [text, setText] = useState(feeling);
  const word = text.trim();
  const isJoined = word !== feeling && journal.some(({ feelings }) => feelings?.includes(word));
  const save = (): void => {
    if (word === '' || word === feeling) return onClose();
    const pages = withFeelingRenamed(journal, feeling, word);
    const text = isJoined ? `${feeling} and ${word} are one now` : `${feeling} is now ${word}`;
    toast({ text, onUndo: change(...pages.map((page) => changeTo('journal', page))) });
    onClose();
  };
  return (
    <View style={styles.line}>
      <View style={styles.grow}>
        <Field
          label={`Another word for ${feeling}`}
          value={text}
          onChangeText={setText}
          onSubmitEditing={save}
          maxLength={LONGEST_FEELING}
          autoFocus
          {...(isJoined ? { hint: `You use ${word} already: the two become one.` } : {})}
        />
      </View>
      <Button onPress={save}>{isJoined ? 'Join' : 'Rename'}</Button>
    </View>
  );
}

const useStyles = themed(() => ({
  line: { flexDirection: 'row', alignItems: 'flex-end', gap: SPACE.s },
  grow: { flex: 1, minWidth: 0 },
}));
