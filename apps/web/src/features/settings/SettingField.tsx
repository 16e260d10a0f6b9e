import { useState } from 'react';
import { Field } from '../../ui/Field.tsx';

type Props = Pick<React.ComponentProps<typeof Field>, 'label' | 'hint' | 'suffix' | 'inputMode' | 'placeholder'> & {
  value: string;
  /** What is wrong with the text, in words; null where nothing is. */
  faultOf: (text: string) => string | null;
  onKeep: (text: string) => void;
};

/** A setting that is typed: kept when it is left or entered, and only where it holds. */
export function SettingField({ value, faultOf, onKeep, ...field }: Props) {
  const [draft, setDraft] = useState<string | null>(null);
  const fault = draft === null ? null : faultOf(draft);
  const keep = (): void => {
    if (draft === null || fault !== null) return;
    setDraft(null);
    if (draft.trim() !== value) onKeep(draft);
  };
  return (
    <Field
      {...field}
      value={draft ?? value}
      onChangeText={setDraft}
      onBlur={keep}
      onSubmitEditing={keep}
      error={fault ?? undefined}
      maxLength={60}
      selectTextOnFocus
    />
  );
}
