import { type Settings } from '@wimbel/core';
import { Words } from '../../ui/Words.tsx';
import { DayMarksField } from './DayMarksField.tsx';
import { useSetting } from './useSetting.ts';
import { SettingsSection } from './SettingsSection.tsx';

export function DayMarksCard() {
  const [settings, set] = useSetting();
  return (
    <SettingsSection title="Day marks">
      <Words type="quiet" tone="quiet">
        A sign for each day by how many habits were done on it, on Today and under the log. No figure depends on it.
      </Words>
      <DayMarksField
        marks={settings.dayMarks}
        onChange={(dayMarks) => {
          const { dayMarks: _, ...rest } = settings;
          set(dayMarks === undefined ? ({ ...rest, dayMarks: undefined } as Partial<Settings>) : { dayMarks });
        }}
      />
    </SettingsSection>
  );
}
