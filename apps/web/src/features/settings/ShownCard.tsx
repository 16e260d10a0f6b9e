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
import { SHOWN, hiddenWith } from './hiddenSettings.ts';

const APPEARANCES: { value: Appearance; label: string }[] = [
  { value: 'system', label: 'System' },
  { value: 'light', label: 'Light' },
  { value: 'dark', label: 'Dark' },
];

export function ShownCard() {
  const [settings, set] = useSetting();
  const { appearance, setAppearance, rows, setRows } = useTheme();
  const quotes = useAppSelector((state) => Object.keys(state.records.quotes).length);
  const hidesStreaks = settings.hidden?.includes('streaks') ?? false;
  return (
    <SettingsSection title="What is shown">
      <Labelled
        label="Streaks"
        hint={
          hidesStreaks
            ? 'No screen shows or mentions them. They are counted all the same, and are there when you want them back.'
            : 'Cords between pegs, and days in a row. Leave them off if they press on you.'
        }
      >
        <Segments
          label="Streaks"
          value={hidesStreaks ? 'hidden' : 'shown'}
          choices={SHOWN}
          onChange={(value) => set({ hidden: hiddenWith(settings, 'streaks', value === 'hidden') })}
        />
      </Labelled>
      <Labelled
        label="Quotes"
        hint={
          quotes === 0
            ? 'Sentences of your own, one a day, on top of Today and Goals. None is written down yet.'
            : 'One a day, on top of Today and Goals.'
        }
      >
        <Segments
          label="Quotes"
          value={settings.hidden?.includes('quotes') ? 'hidden' : 'shown'}
          choices={SHOWN}
          onChange={(value) => set({ hidden: hiddenWith(settings, 'quotes', value === 'hidden') })}
        />
      </Labelled>
      <SettingsLink path={PATHS.quotes} name="Your quotes" aside={counted(quotes, 'quote')} />
      <Labelled
        label="Journal"
        hint={
          settings.hidden?.includes('journal')
            ? 'No screen shows or mentions it. What you wrote is kept.'
            : 'A page for each day: how it was, and why.'
        }
      >
        <Segments
          label="Journal"
          value={settings.hidden?.includes('journal') ? 'hidden' : 'shown'}
          choices={SHOWN}
          onChange={(value) => set({ hidden: hiddenWith(settings, 'journal', value === 'hidden') })}
        />
      </Labelled>
      {settings.hidden?.includes('journal') ? null : <JournalChoices />}
      <Labelled
        label="Seasons"
        hint={
          settings.hidden?.includes('seasons')
            ? 'No screen shows or mentions them. They are kept with all their figures.'
            : 'Runs of weeks, usually twelve, with a vision, one to three goals and a score per week.'
        }
      >
        <Segments
          label="Seasons"
          value={settings.hidden?.includes('seasons') ? 'hidden' : 'shown'}
          choices={SHOWN}
          onChange={(value) => set({ hidden: hiddenWith(settings, 'seasons', value === 'hidden') })}
        />
      </Labelled>
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
