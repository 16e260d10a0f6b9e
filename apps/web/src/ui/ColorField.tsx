import { TOUCH_PX } from '../theme/space.ts';
import { Labelled } from './Field.tsx';

/** Any colour, as #rrggbb, chosen with what the device has for it. */
export function ColorField({
  label,
  value,
  hint,
  onChange,
}: {
  label: string;
  value: string;
  hint?: string;
  onChange: (value: string) => void;
}) {
  return (
    <Labelled label={label} {...(hint ? { hint } : {})}>
      <input
        type="color"
        aria-label={label}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        style={{ width: 88, height: TOUCH_PX, padding: 2, border: 0, background: 'transparent', cursor: 'pointer' }}
      />
    </Labelled>
  );
}
