import { useEffect } from 'react';
import { useToast } from '../../ui/Toast.tsx';
import { useRecording } from '../../sync/recording.ts';

const isWriting = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement;

/** Ctrl Z (or Command Z) takes back what was recorded last, wherever one is but in a field. */
export function UndoKey() {
  const { takeBack } = useRecording();
  const toast = useToast();
  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      if (event.key.toLowerCase() !== 'z' || !(event.ctrlKey || event.metaKey) || event.shiftKey) return;
      if (isWriting(event.target)) return;
      event.preventDefault();
      toast({ text: takeBack() ? 'Undone' : 'Nothing to undo' });
    };
    document.addEventListener('keydown', press);
    return () => document.removeEventListener('keydown', press);
  }, [takeBack, toast]);
  return null;
}
