import { useEffect, useRef, useState } from 'react';
import { Field } from '../ui/Field.tsx';

const PAUSE_MS = 600;

/** A note that keeps itself: a moment after the last key, when it is left, and when it or the page goes. */
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
  const [draft, setDraft] = useState<string | null>(null);
  const latest = useRef({ draft, note, onChange });
  useEffect(() => {
    latest.current = { draft, note, onChange };
  });
  const keep = (): void => {
    const { draft: text, note: before, onChange: save } = latest.current;
    if (text !== null && text.trim() !== before) save(text.trim());
  };
  useEffect(() => {
    if (draft === null) return;
    const timer = setTimeout(keep, PAUSE_MS);
    return () => clearTimeout(timer);
  }, [draft]);
  useEffect(() => {
    window.addEventListener('pagehide', keep);
    return () => {
      window.removeEventListener('pagehide', keep);
      keep();
    };
  }, []);
  return (
    <Field
      label={label}
      value={draft ?? note}
      onChangeText={setDraft}
      onBlur={keep}
      multiline
      maxLength={5000}
      autoFocus={autoFocus}
    />
  );
}
