import { type DaySpan, type PlainDay, formatDay, parseDay } from '@wimbel/core';
import { useState } from 'react';
import { Button } from '../../../ui/Button.tsx';
import { Field } from '../../../ui/Field.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { betweenFault } from '../chartWords.ts';

/** Any two days to look at what lies between. */
export function TwoDaysSheet({
  span,
  today,
  onClose,
  onChoose,
}: {
  span: DaySpan;
  today: PlainDay;
  onClose: () => void;
  onChoose: (span: DaySpan) => void;
}) {
  const [from, setFrom] = useState(formatDay(span.first));
  const [to, setTo] = useState(formatDay(Math.min(span.last, today)));
  const [fault, setFault] = useState<string | undefined>();
  const choose = (): void => {
    const [first, last] = [parseDay(from), parseDay(to)];
    const found = betweenFault(first, last);
    if (found !== null || first === null || last === null) setFault(found ?? undefined);
    else onChoose({ first, last });
  };
  return (
    <Sheet title="Between two days" onClose={onClose}>
      <Field label="First day" value={from} onChangeText={setFrom} isDate />
      <Field label="Last day" value={to} onChangeText={setTo} isDate error={fault} />
      <Button kind="main" onPress={choose}>
        Show
      </Button>
    </Sheet>
  );
}
