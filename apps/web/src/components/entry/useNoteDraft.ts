import { bothTexts } from '@wimbel/core';
import { useEffect, useRef, useState } from 'react';

const PAUSE_MS = 600;

/**
 * A note being typed. It keeps itself: a moment after the last key, when it is left, and when it or the page goes. What is
 * written there meanwhile on another device is given to `onOther`, or stands beside what is typed.
 */
export function useNoteDraft(note: string, onChange: (note: string) => void, onOther?: (note: string) => void) {
  const [draft, setDraft] = useState<string | null>(null);
  const [known, setKnown] = useState(note);
  if (note !== known) {
    setKnown(note);
    // All that was typed here is kept, and what stands there now came from elsewhere (undo, another device): it shows.
    if (draft !== null && draft.trim() === known) setDraft(null);
  }
  const latest = useRef({ draft, note, onChange, onOther });
  useEffect(() => {
    latest.current = { draft, note, onChange, onOther };
  });
  // What this field kept last; anything else that comes to stand there while something is typed was written elsewhere.
  const own = useRef(note);
  useEffect(() => {
    if (note === own.current) return;
    const began = own.current;
    own.current = note;
    const { draft: typed, onOther: tellOther } = latest.current;
    if (typed === null || note === '' || typed.includes(note)) return;
    if (tellOther !== undefined) tellOther(note);
    else setDraft(bothTexts(began, note, typed) ?? '');
  }, [note]);
  const keep = (): void => {
    const { draft: text, note: before, onChange: save } = latest.current;
    if (text === null || text.trim() === before) return;
    own.current = text.trim();
    save(text.trim());
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
  return {
    text: draft ?? note,
    write: setDraft,
    keep,
    /** Whether something was typed here. */
    isTouched: draft !== null,
    /** Whether what is typed is kept. */
    isKept: draft === null || draft.trim() === note,
  };
}
