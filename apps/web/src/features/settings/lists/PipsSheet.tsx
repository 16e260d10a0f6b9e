import { useState } from 'react';
import { parseTyped } from '../../../text/amounts.ts';
import { capital } from '../../../text/format.ts';
import { Button } from '../../../ui/Button.tsx';
import { Field } from '../../../ui/Field.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';

export function PipsSheet({
  name,
  onPips,
  onClose,
}: {
  name: string;
  onPips: (pips: number) => string | null;
  onClose: () => void;
}) {
  const [text, setText] = useState('');
  const [fault, setFault] = useState<string>();
  const save = (): void => {
    const pips = parseTyped(text);
    setFault(pips === null || pips < 0 ? 'Write a number, such as 2' : (onPips(pips) ?? undefined));
  };
  return (
    <Sheet title={`${capital(name)} a done day earns`} onClose={onClose}>
      <Field
        label="How many"
        value={text}
        onChangeText={setText}
        onSubmitEditing={save}
        inputMode="decimal"
        autoFocus
        error={fault}
        hint="From today on. 0 for none."
      />
      <Button kind="main" onPress={save}>
        Set
      </Button>
    </Sheet>
  );
}
