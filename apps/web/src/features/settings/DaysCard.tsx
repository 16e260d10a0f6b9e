import {
  type Settings,
  WEEKDAYS,
  dayCounts,
  monthFigures,
  monthOfDay,
  monthSpan,
  weekSpan,
  weekTotals,
} from '@wimbel/core';
import { selectToday, selectTotals, selectTracks } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { capital, counted, dayInWords, monthName, spanInWords } from '../../text/format.ts';
import { Chips } from '../../ui/Chips.tsx';
import { Labelled } from '../../ui/Field.tsx';
import { SettingField } from './SettingField.tsx';
import { passMarkFault, ratioOfPercent } from './settingFaults.ts';
import { keptWords } from '../../text/keptText.ts';
import { useSetting } from './useSetting.ts';
import { SettingsSection } from './SettingsSection.tsx';
import { FullDayTargets } from './FullDayTargets.tsx';

const HOURS = [0, 1, 2, 3, 4, 5, 6];

const hourWords = (hour: number): string => (hour === 0 ? 'Midnight' : `${hour}:00`);

/** Settings that change figures, each with its effect. */
export function DaysCard() {
  const [settings, set] = useSetting();
  const today = useAppSelector(selectToday);
  const tracks = useAppSelector(selectTracks);
  const month = monthOfDay(today);
  const span = monthSpan(month);
  const totals = useAppSelector(selectTotals);
  const { weekStart, passMark, dayEndsAt } = settings;
  const week = weekSpan(today, weekStart);
  const [thisWeek] = weekTotals(tracks, week, weekStart, passMark);
  const { brightDays } = dayCounts(totals, span, passMark);
  const ribbons = tracks.filter((track) => monthFigures(track, month, passMark).ribbon).length;
  return (
    <SettingsSection title="Days and weeks">
      <Labelled
        label="First day of the week"
        hint={`Weeks of the log and of habits “so many days a week” begin here. This one runs from ${spanInWords(week, today)}: ${thisWeek ? keptWords(thisWeek) : 'nothing due'} so far.`}
      >
        <Chips
          label="First day of the week"
          chips={WEEKDAYS.map((value) => ({ value, label: capital(value).slice(0, 3) }))}
          chosen={[weekStart]}
          onPress={(value) => set({ weekStart: value as Settings['weekStart'] })}
        />
      </Labelled>
      <SettingField
        label="Pass mark"
        value={String(Math.round(passMark * 1000) / 10)}
        suffix="%"
        inputMode="decimal"
        faultOf={passMarkFault}
        hint={`From this share on a day is bright, a week is on track and a month earns its ribbon. ${monthName(month)} so far: ${counted(brightDays, 'bright day')}, ${counted(ribbons, 'ribbon')}.`}
        onKeep={(text) => set({ passMark: ratioOfPercent(text)! })}
      />
      <FullDayTargets />
      <Labelled
        label="The day ends at"
        hint={`What you check off before that still counts for the day before. By this it is ${dayInWords(today)}.`}
      >
        <Chips
          label="The day ends at"
          chips={HOURS.map((hour) => ({ value: String(hour), label: hourWords(hour) }))}
          chosen={[String(dayEndsAt)]}
          onPress={(value) => set({ dayEndsAt: Number(value) })}
        />
      </Labelled>
    </SettingsSection>
  );
}
