import type { Collection, RecordOf } from '@wimbel/contract';
import { shownText } from '@wimbel/core';
import { changeTo } from '../../store/makeChange.ts';
import { useRecording } from '../../sync/recording.ts';
import { TextsBeside } from '../../ui/TextsBeside.tsx';
import { useToast } from '../../ui/Toast.tsx';
import { Words } from '../../ui/Words.tsx';

/** A long text of a record as it is read, with what was written on another device at the same time. */
export function LongText<C extends Collection>({
  of,
  collection,
  record,
  field,
  ...words
}: Omit<React.ComponentProps<typeof Words>, 'children'> & {
  /** What the text is: "Note". */
  of: string;
  collection: C;
  record: RecordOf<C>;
  field: keyof RecordOf<C>;
}) {
  const { change } = useRecording();
  const toast = useToast();
  const text = record[field];
  if (typeof text !== 'string' || text === '') return null;
  const settle = (next: string): void => {
    const isLeftOut = shownText(next) === shownText(text);
    const onUndo = change(changeTo(collection, { ...record, [field]: next }));
    toast({ text: isLeftOut ? 'Left out' : 'Put together', onUndo });
  };
  return (
    <>
      <Words {...words}>{shownText(text)}</Words>
      <TextsBeside of={of} text={text} onChange={settle} />
    </>
  );
}
