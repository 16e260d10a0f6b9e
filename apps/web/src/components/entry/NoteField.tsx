import { Field } from '../../ui/Field.tsx';
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
  isGrowing = false,
  isLine = false,
  onOther,
}: {
  note: string;
  label: string;
  onChange: (note: string) => void;
  autoFocus?: boolean;
  maxLength?: number;
  placeholder?: string;
  /** Whether it says that what was typed is kept. */
  isTelling?: boolean;
  /** Whether it is as tall as what is written in it. */
  isGrowing?: boolean;
  /** Whether it is one line. */
  isLine?: boolean;
  /** Something else was written there meanwhile, on another device, and would be written over. */
  onOther?: (note: string) => void;
}) {
  const draft = useNoteDraft(note, onChange, onOther);
  return (
    <Field
      label={label}
      value={draft.text}
      onChangeText={draft.write}
      onBlur={draft.keep}
      multiline={!isLine}
      isGrowing={isGrowing}
      maxLength={maxLength}
      autoFocus={autoFocus}
      {...(placeholder === undefined ? {} : { placeholder })}
      {...(isTelling && draft.isTouched ? { hint: draft.isKept ? 'Kept' : 'Writing …' } : {})}
    />
  );
}
