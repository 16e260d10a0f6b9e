import { type Settings, WEEKDAYS, type Weekday } from '@wimbel/core';
import { useRecording } from '../../sync/recording.ts';
import { changeTo } from '../../store/makeChange.ts';
import { selectPrompts } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { capital, counted } from '../../text/format.ts';
import { Chips } from '../../ui/Chips.tsx';
import { Labelled } from '../../ui/Field.tsx';
import { MoodMarksField } from './MoodMarksField.tsx';
import { PATHS } from '../../platform/paths.ts';
import { useSetting } from './useSetting.ts';
import { ShownSwitch } from './ShownSwitch.tsx';
import { SettingsLink } from './ListsCard.tsx';

/** The last day of weeks that begin on one. */
const lastDayOf = (weekStart: Weekday): Weekday => WEEKDAYS[(WEEKDAYS.indexOf(weekStart) + 6) % 7]!;

/** What a page of the journal asks. */
export function JournalChoices() {
  const [settings, set] = useSetting();
  const { change } = useRecording();
  const put = (next: Settings): void => void change(changeTo('settings', next));
  const prompts = useAppSelector(selectPrompts).filter(({ active }) => active).length;
  return (
    <>
      <ShownSwitch what="mood" label="Mood" hint="How the day was, one of five, on the journal’s page." />
      {settings.hidden?.includes('mood') ? null : (
        <MoodMarksField
          marks={settings.moodMarks ?? []}
          onChange={(moodMarks) => {
            const { moodMarks: _, ...rest } = settings;
            put(moodMarks.length === 0 ? rest : { ...rest, moodMarks });
          }}
        />
      )}
      <Labelled
        label="The week’s look back is offered on"
        hint={`On Today, in one line, until it is written or waved off. Weeks end on ${capital(lastDayOf(settings.weekStart))}.`}
      >
        <Chips
          label="The week’s look back is offered on"
          chips={WEEKDAYS.map((value) => ({ value, label: capital(value).slice(0, 3) }))}
          chosen={[settings.reviewDay ?? lastDayOf(settings.weekStart)]}
          onPress={(value) => set({ reviewDay: value as Weekday })}
        />
      </Labelled>
      <SettingsLink path={PATHS.prompts} name="Prompts of the journal" aside={counted(prompts, 'prompt')} />
    </>
  );
}
