import type { Hideable } from '@wimbel/core';
import { Labelled } from '../../ui/Field.tsx';
import { Segments } from '../../ui/Segments.tsx';
import { SHOWN, hiddenWith } from './hiddenSettings.ts';
import { useSetting } from './useSetting.ts';

/** A part of the app that can be left off everywhere; `hint` says what it is, `hiddenHint` what is true while it is off. */
export function ShownSwitch({
  what,
  label,
  hint,
  hiddenHint = hint,
}: {
  what: Hideable;
  label: string;
  hint: string;
  hiddenHint?: string;
}) {
  const [settings, set] = useSetting();
  const isHidden = settings.hidden?.includes(what) ?? false;
  return (
    <Labelled label={label} hint={isHidden ? hiddenHint : hint}>
      <Segments
        label={label}
        value={isHidden ? 'hidden' : 'shown'}
        choices={SHOWN}
        onChange={(value) => set({ hidden: hiddenWith(settings, what, value === 'hidden') })}
      />
    </Labelled>
  );
}
