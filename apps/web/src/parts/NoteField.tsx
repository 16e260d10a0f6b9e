import { Field } from '../ui/Field.tsx';
import { useNoteDraft } from './useNoteDraft.ts';

/** A note that keeps itself. */
export function NoteField({
  note,
  label,
  onChange,
  autoFocus = false,
  maxLength = 5000,
  placeholder,
  isTelling = false,
}: {
  note: string;
  label: string;
  onChange: (note: string) => void;
  autoFocus?: boolean;
  maxLength?: number;
  placeholder?: string;
  /** Whether it says that what was typed is kept. */
  isTelling?: boolean;
}) {
  const draft = useNoteDraft(note, onChange);
  return (
    <Field
      label={label}
      value={draft.text}
      onChangeText={draft.write}
      onBlur={draft.keep}
      multiline
      maxLength={maxLength}
      autoFocus={autoFocus}
      {...(placeholder === undefined ? {} : { placeholder })}
      {...(isTelling && draft.isTouched ? { hint: draft.isKept ? 'Kept' : 'Writing …' } : {})}
    />
  );
}
