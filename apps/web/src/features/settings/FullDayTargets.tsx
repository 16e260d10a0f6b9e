import { dayCounts, monthOfDay, monthSpan, type DaySpan, yearOfDay, yearSpan } from '@wimbel/core';
import { selectToday, selectTotals } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { parseTyped } from '../../text/amounts.ts';
import { counted, monthName } from '../../text/format.ts';
import { SettingField } from './SettingField.tsx';
import { dayTargetFault } from './settingFaults.ts';
import { useSetting } from './useSetting.ts';

/** Full days aimed at in a month and in a year. */
export function FullDayTargets() {
  const [settings, set] = useSetting();
  const today = useAppSelector(selectToday);
  const totals = useAppSelector(selectTotals);
  const { passMark, fullDayTarget = {} } = settings;
  const fullIn = (span: DaySpan): string => counted(dayCounts(totals, span, passMark).fullDays, 'full day');
  const field = (which: 'month' | 'year', label: string, most: number, hint: string) => (
    <SettingField
      label={label}
      value={fullDayTarget[which] === undefined ? '' : String(fullDayTarget[which])}
      placeholder="No target"
      inputMode="numeric"
      faultOf={dayTargetFault(most)}
      hint={hint}
      onKeep={(text) => {
        const { [which]: _, ...rest } = fullDayTarget;
        const days = text.trim() === '' ? {} : { [which]: parseTyped(text)! };
        set({ fullDayTarget: { ...rest, ...days } });
      }}
    />
  );
  const month = monthOfDay(today);
  const year = yearOfDay(today);
  return (
    <>
      {field(
        'month',
        'Full days to reach in a month',
        MOST_IN_MONTH,
        `A day is full when everything due is done. ${monthName(month)} so far: ${fullIn(monthSpan(month))}.`,
      )}
      {field('year', 'Full days to reach in a year', MOST_IN_YEAR, `${year} so far: ${fullIn(yearSpan(year))}.`)}
    </>
  );
}

const [MOST_IN_MONTH, MOST_IN_YEAR] = [31, 366];
