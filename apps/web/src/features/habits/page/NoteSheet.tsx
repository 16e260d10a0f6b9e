import { type Habit, type HabitNote, formatDay } from '@wimbel/core';
import { useState } from 'react';
import { useRecording } from '../../../sync/recording.ts';
import { changeTo, newId, removalOf } from '../../../store/makeChange.ts';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { Button } from '../../../ui/Button.tsx';
import { Field } from '../../../ui/Field.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { SheetForm } from './SheetForm.tsx';
import { linkOf, withoutBlank } from '../form/habitFields.ts';

/** A note about a habit, with its day and a link. */
export function NoteSheet({ habit, note, onClose }: { habit: Habit; note: HabitNote | null; onClose: () => void }) {
  const today = useAppSelector(selectToday);
  const { change } = useRecording();
  const toast = useToast();
  const [text, setText] = useState(note?.text ?? '');
  const [day, setDay] = useState(note === null ? formatDay(today) : (note.day ?? ''));
  const [link, setLink] = useState(note?.link ?? '');
  const [fault, setFault] = useState<string | null>(null);
  const save = (): void => {
    const href = linkOf(link);
    if (text.trim() === '') setFault('Write the note first');
    else if (link.trim() !== '' && href === null)
      setFault('This is no web address: it begins with https:// or a name such as example.org');
    else {
      const next = withoutBlank({
        id: note?.id ?? newId(),
        habitId: habit.id,
        day,
        text: text.trim(),
        link: href ?? '',
      });
      toast({ text: 'The note is kept', onUndo: change(changeTo('habitNotes', next)) });
      onClose();
    }
  };
  const remove = (): void => {
    if (note === null) return;
    toast({ text: 'The note is gone', onUndo: change(removalOf('habitNotes', note.id)) });
    onClose();
  };
  return (
    <SheetForm
      title={note ? 'Note' : 'A new note'}
      onSave={save}
      onClose={onClose}
      fault={fault}
      more={note ? <Button onPress={remove}>Take it away</Button> : null}
    >
      <Field label="Note" value={text} onChangeText={setText} multiline maxLength={5000} autoFocus={note === null} />
      <Field label="Day" value={day} onChangeText={setDay} isDate />
      <Field label="Link" value={link} onChangeText={setLink} inputMode="url" maxLength={2000} placeholder="https://" />
    </SheetForm>
  );
}
