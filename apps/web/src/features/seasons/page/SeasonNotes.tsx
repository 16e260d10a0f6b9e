import { isLink } from '@wimbel/contract';
import type { Season } from '@wimbel/core';
import X from 'lucide-react-native/icons/x';
import { useState } from 'react';
import { View } from 'react-native';
import { WrittenText } from '../../../components/journal/WrittenText.tsx';
import { changeTo } from '../../../store/makeChange.ts';
import { useRecording } from '../../../sync/recording.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Field } from '../../../ui/Field.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { Words } from '../../../ui/Words.tsx';

type Note = NonNullable<Season['notes']>[number];

const LONGEST = 5000;

/** Notes and links kept for a season. */
export function SeasonNotes({ season }: { season: Season }) {
  const styles = useStyles();
  const { change } = useRecording();
  const toast = useToast();
  const [edited, setEdited] = useState<number | 'new' | null>(null);
  const notes = season.notes ?? [];
  const keep = (next: Note[], text: string): void => {
    const { notes: _, ...rest } = season;
    toast({ text, onUndo: change(changeTo('seasons', next.length === 0 ? rest : { ...rest, notes: next })) });
  };
  return (
    <SectionCard
      title="Notes and links"
      aside={
        <Button kind="bare" onPress={() => setEdited('new')}>
          Add a note
        </Button>
      }
    >
      {notes.length === 0 && edited === null ? (
        <Words tone="quiet">Whatever belongs to it: a plan, an address, what somebody said.</Words>
      ) : null}
      {notes.map((note, place) =>
        edited === place ? (
          <NoteForm
            key={place}
            note={note}
            onClose={() => setEdited(null)}
            onKeep={(next) => {
              keep(
                notes.map((each, index) => (index === place ? next : each)),
                'The note is changed',
              );
              setEdited(null);
            }}
          />
        ) : (
          <View key={place} style={styles.note}>
            <View style={styles.words}>
              <WrittenText text={note.text} />
              {note.link ? <WrittenText text={note.link} /> : null}
            </View>
            <Button kind="bare" label={`Edit note: ${note.text.slice(0, 40)}`} onPress={() => setEdited(place)}>
              Edit
            </Button>
            <IconButton
              icon={X}
              sizePx={18}
              label={`Delete note: ${note.text.slice(0, 40)}`}
              onPress={() =>
                keep(
                  notes.filter((_, index) => index !== place),
                  'The note is deleted',
                )
              }
            />
          </View>
        ),
      )}
      {edited === 'new' ? (
        <NoteForm
          note={{ text: '' }}
          onClose={() => setEdited(null)}
          onKeep={(note) => {
            keep([...notes, note], 'The note is kept');
            setEdited(null);
          }}
        />
      ) : null}
    </SectionCard>
  );
}

function NoteForm({ note, onKeep, onClose }: { note: Note; onKeep: (note: Note) => void; onClose: () => void }) {
  const styles = useStyles();
  const [text, setText] = useState(note.text);
  const [link, setLink] = useState(note.link ?? '');
  const isEmpty = text.trim() === '' && link.trim() === '';
  const isWrong = link.trim() !== '' && !isLink(link);
  return (
    <View style={styles.form}>
      <Field label="Note" value={text} onChangeText={setText} multiline maxLength={LONGEST} autoFocus />
      <Field
        label="Link"
        value={link}
        onChangeText={setLink}
        inputMode="url"
        maxLength={LONGEST}
        error={isWrong ? 'Write a web or e-mail address' : undefined}
      />
      <View style={styles.buttons}>
        <Button
          kind="main"
          isDisabled={isEmpty || isWrong}
          onPress={() => onKeep({ text: text.trim(), ...(link.trim() === '' ? {} : { link: link.trim() }) })}
        >
          Keep it
        </Button>
        <Button kind="bare" onPress={onClose}>
          Cancel
        </Button>
      </View>
    </View>
  );
}

const useStyles = themed(() => ({
  note: { flexDirection: 'row', alignItems: 'flex-start', gap: SPACE.xs },
  words: { flex: 1, minWidth: 0, gap: SPACE.xs, paddingVertical: SPACE.s },
  form: { gap: SPACE.m },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
}));
