import { Field } from '../ui/Field.tsx';
import { useNoteDraft } from './useNoteDraft.ts';

/** A note that keeps itself. */
export function NoteField({
  note,
  label,
  onChange,
  autoFocus = false,
}: {
  note: string;
  label: string;
  onChange: (note: string) => void;
  autoFocus?: boolean;
}) {
  const draft = useNoteDraft(note, onChange);
  return (
    <Field
      label={label}
      value={draft.text}
      onChangeText={draft.write}
      onBlur={draft.keep}
      multiline
      maxLength={5000}
      autoFocus={autoFocus}
    />
  );
}
