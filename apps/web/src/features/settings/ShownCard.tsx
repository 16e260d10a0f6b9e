import { useAppSelector } from '../../store/store.ts';
import { counted } from '../../text/format.ts';
import { type Appearance, useTheme } from '../../theme/Theme.tsx';
import { Labelled } from '../../ui/Field.tsx';
import { Segments } from '../../ui/Segments.tsx';
import { PATHS } from '../../platform/paths.ts';
import { useSetting } from './useSetting.ts';
import { SettingsSection } from './SettingsSection.tsx';
import { SettingsLink } from './ListsCard.tsx';
import { JournalChoices } from './JournalChoices.tsx';
import { ShownSwitch } from './ShownSwitch.tsx';

const APPEARANCES: { value: Appearance; label: string }[] = [
  { value: 'system', label: 'System' },
  { value: 'light', label: 'Light' },
  { value: 'dark', label: 'Dark' },
];

export function ShownCard() {
  const [settings, set] = useSetting();
  const { appearance, setAppearance, rows, setRows } = useTheme();
  const quotes = useAppSelector((state) => Object.keys(state.records.quotes).length);
  return (
    <SettingsSection title="What is shown">
      <ShownSwitch
        what="streaks"
        label="Streaks"
        hint="Cords between pegs, and days in a row. Leave them off if they press on you."
        hiddenHint="No screen shows or mentions them. They are counted all the same, and are there when you want them back."
      />
      <ShownSwitch
        what="quotes"
        label="Quotes"
        hint={
          quotes === 0
            ? 'Sentences of your own, one a day, on top of Today and Goals. None is written down yet.'
            : 'One a day, on top of Today and Goals.'
        }
      />
      <SettingsLink path={PATHS.quotes} name="Your quotes" aside={counted(quotes, 'quote')} />
      <ShownSwitch
        what="journal"
        label="Journal"
        hint="A page for each day: how it was, and why."
        hiddenHint="No screen shows or mentions it. What you wrote is kept."
      />
      {settings.hidden?.includes('journal') ? null : <JournalChoices />}
      <ShownSwitch
        what="seasons"
        label="Seasons"
        hint="Runs of weeks, usually twelve, with a vision, one to three goals and a score per week."
        hiddenHint="No screen shows or mentions them. They are kept with all their figures."
      />
      <Labelled label="Today lists habits" hint="Only the order on Today; no figure changes.">
        <Segments
          label="Today lists habits"
          value={settings.todayBy ?? 'part'}
          choices={[
            { value: 'part', label: 'By part of the day' },
            { value: 'area', label: 'By area' },
          ]}
          onChange={(todayBy) => set({ todayBy })}
          isWrapping
        />
      </Labelled>
      <Labelled label="Appearance, on this device">
        <Segments label="Appearance" value={appearance} choices={APPEARANCES} onChange={setAppearance} isWrapping />
      </Labelled>
      <Labelled label="Rows of habits, on this device" hint="Compact shows about half as many again on a screen.">
        <Segments
          label="Rows of habits"
          value={rows}
          choices={[
            { value: 'roomy', label: 'Roomy' },
            { value: 'compact', label: 'Compact' },
          ]}
          onChange={setRows}
          isWrapping
        />
      </Labelled>
    </SettingsSection>
  );
}
