import { useState } from 'react';
import { amountFault, parseAmount } from '../../../text/amounts.ts';
import { useTheme } from '../../../theme/Theme.tsx';
import { TYPE } from '../../../theme/type.ts';

type Props = {
  label: string;
  first: string;
  unit: string;
  x: number;
  y: number;
  onKeep: (amount: number) => void;
  onLeave: () => void;
};

/** An amount typed right over its cell: Enter keeps it, Escape leaves all as it was. */
export function AmountOverCell({ label, first, unit, x, y, onKeep, onLeave }: Props) {
  const { colors } = useTheme();
  const [text, setText] = useState(first);
  const isWrong = amountFault(text, unit) !== null;
  const keep = (): void => {
    const value = parseAmount(text, unit);
    if (value !== null && !isWrong) onKeep(value);
    onLeave();
  };
  return (
    <input
      aria-label={label}
      aria-invalid={isWrong}
      autoFocus
      inputMode="decimal"
      value={text}
      onChange={(event) => setText(event.target.value)}
      onFocus={(event) => event.target.setSelectionRange(text.length, text.length)}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Enter') keep();
        if (event.key === 'Escape') onLeave();
      }}
      onBlur={keep}
      style={{
        ...(TYPE.body as object),
        position: 'absolute',
        left: x,
        top: y,
        width: 74,
        height: 34,
        zIndex: 3,
        boxSizing: 'border-box',
        padding: '0 8px',
        borderRadius: 8,
        border: `2px solid ${isWrong ? colors.madder : colors.working}`,
        background: colors.raised,
        color: colors.ink,
      }}
    />
  );
}
