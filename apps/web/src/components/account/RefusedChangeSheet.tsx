import { checkRecord } from '@wimbel/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { amountFault } from '../../text/amounts.ts';
import { capital } from '../../text/format.ts';
import { changeTo, removalOf } from '../../store/makeChange.ts';
import type { Refusal } from '@wimbel/sync';
import { useAppSelector } from '../../store/store.ts';
import { useRecording } from '../../sync/recording.ts';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Chips } from '../../ui/Chips.tsx';
import { Field } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Words } from '../../ui/Words.tsx';
import { changeName, fieldTitle, firstOf, issueWords } from '../../text/issueText.ts';
import { correctedRecord, namesToLeave, writtenFields, writtenText } from '../../text/refusedFields.ts';

/** A change that was not taken, with what was written in it: mended and sent again, copied, or discarded. */
export function RefusedChangeSheet({ refusal, onClose }: { refusal: Refusal; onClose: () => void }) {
  const { change: refused, issues } = refusal;
  const records = useAppSelector((state) => state.records);
  const { change, dismissRefusal } = useRecording();
  const fields = writtenFields(refused.record);
  const leavable = namesToLeave(refused, issues);
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [left, setLeft] = useState<readonly string[]>(leavable);
  const [faults, setFaults] = useState<Record<string, string>>({});
  const [isCopied, setIsCopied] = useState(false);

  const send = (): void => {
    if (refused.record === null) change(removalOf(refused.collection, refused.key));
    else {
      const record = correctedRecord(refused.record, typed, issues, left);
      if (record === null) {
        const wrong = fields.filter((each) => each.kind === 'number');
        setFaults(
          Object.fromEntries(
            wrong.flatMap(({ field, value }) => {
              const fault = amountFault(typed[field] ?? value);
              return fault === null ? [] : [[field, fault]];
            }),
          ),
        );
        return;
      }
      const checked = checkRecord(refused.collection, record);
      if (checked.record === null) {
        setFaults(Object.fromEntries(checked.issues.map((issue) => [firstOf(issue.path), issueWords(issue)])));
        return;
      }
      change(changeTo(refused.collection, checked.record));
    }
    dismissRefusal(refused.id);
    onClose();
  };
  const written = fields.map((each) => ({ ...each, value: typed[each.field] ?? each.value }));
  return (
    <Sheet title={changeName(records, refused)} onClose={onClose}>
      <Words>
        {refused.record === null ? 'Deleting it was not saved. ' : ''}
        {issues.map(issueWords).join('. ')}.
      </Words>
      {leavable.length > 0 ? (
        <Chips
          label="Leave out"
          isMultiple
          chips={leavable.map((field) => ({
            value: field,
            label: `Save it without ${fieldTitle(field).toLowerCase()}`,
          }))}
          chosen={left}
          onPress={(field) => setLeft(left.includes(field) ? left.filter((each) => each !== field) : [...left, field])}
        />
      ) : null}
      {written.map(({ field, title, kind, value }) => (
        <Field
          key={field}
          label={title}
          value={value}
          error={faults[field]}
          multiline={kind === 'lines' || field === 'note' || field === 'why'}
          inputMode={kind === 'number' ? 'decimal' : 'text'}
          onChangeText={(text) => setTyped({ ...typed, [field]: text })}
        />
      ))}
      {Object.entries(faults)
        .filter(([field]) => !fields.some((each) => each.field === field))
        .map(([field, fault]) => (
          <Words key={field} tone="madder">
            {capital(fault)}
          </Words>
        ))}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button kind="main" onPress={send}>
          {refused.record === null ? 'Delete again' : 'Save again'}
        </Button>
        {fields.length > 0 && typeof navigator.clipboard?.writeText === 'function' ? (
          <Button
            onPress={() => void navigator.clipboard.writeText(writtenText(written)).then(() => setIsCopied(true))}
          >
            {isCopied ? 'Copied' : 'Copy what I wrote'}
          </Button>
        ) : null}
        <Button
          kind="bare"
          onPress={() => {
            dismissRefusal(refused.id);
            onClose();
          }}
        >
          Discard change
        </Button>
      </View>
    </Sheet>
  );
}
