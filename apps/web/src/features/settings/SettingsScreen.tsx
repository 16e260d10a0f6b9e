import {
  type Hideable,
  type Settings,
  WEEKDAYS,
  type Weekday,
  dayCounts,
  monthFigures,
  monthOfDay,
  monthSpan,
  weekSpan,
  weekTotals,
  type DaySpan,
  yearOfDay,
  yearSpan,
} from '@wimbel/core';
import { useRouter } from 'expo-router';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { useRecording } from '../../sync/recording.ts';
import { AccountSection } from '../../components/account/AccountSection.tsx';
import { changeTo } from '../../store/makeChange.ts';
import {
  selectAreas,
  selectHabits,
  selectPrompts,
  selectSettings,
  selectToday,
  selectTotals,
  selectTracks,
} from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { money, parseTyped } from '../../text/amounts.ts';
import { capital, counted, dayInWords, monthName, spanInWords } from '../../text/format.ts';
import { type Appearance, themed, useIsWide, useTheme } from '../../theme/Theme.tsx';
import { SPACE, TOUCH_PX } from '../../theme/space.ts';
import { Card } from '../../ui/Card.tsx';
import { Chips } from '../../ui/Chips.tsx';
import { Labelled } from '../../ui/Field.tsx';
import { Page } from '../../ui/Frame.tsx';
import { Segments } from '../../ui/Segments.tsx';
import { Words } from '../../ui/Words.tsx';
import { DayMarksField } from './DayMarksField.tsx';
import { MoodMarksField } from './MoodMarksField.tsx';
import { SettingField } from './SettingField.tsx';
import { currencyFault, passMarkFault, ratioOfPercent, dayTargetFault } from './settingFaults.ts';
import { keptWords } from '../../text/keptText.ts';
import { PATHS } from '../../platform/paths.ts';

const HOURS = [0, 1, 2, 3, 4, 5, 6];
const hourWords = (hour: number): string => (hour === 0 ? 'Midnight' : `${hour}:00`);

export function SettingsScreen() {
  const styles = useStyles();
  const isWide = useIsWide();
  const left = (
    <>
      <ThingsCard />
      <DaysCard />
    </>
  );
  const right = (
    <>
      <DayMarksCard />
      <ShownCard />
      <MoneyCard />
      <Section title="Account">
        <Way path={PATHS.account} name="Account and data" aside="password, copies, devices" />
        <AccountSection />
      </Section>
    </>
  );
  return (
    <Page>
      <Words type="title" heading={1}>
        Settings
      </Words>
      {isWide ? (
        <View style={styles.columns}>
          <View style={styles.column}>{left}</View>
          <View style={styles.column}>{right}</View>
        </View>
      ) : (
        <>
          {left}
          {right}
        </>
      )}
    </Page>
  );
}

function Section({ title, children }: { title: string; children: ReactNode }) {
  const styles = useStyles();
  return (
    <Card style={styles.card}>
      <Words type="card" heading={2}>
        {title}
      </Words>
      {children}
    </Card>
  );
}

function useSetting(): [Settings, (change: Partial<Settings>) => void] {
  const settings = useAppSelector(selectSettings);
  const { change } = useRecording();
  return [settings, (next) => change(changeTo('settings', { ...settings, ...next }))];
}

function ThingsCard() {
  const habits = useAppSelector(selectHabits);
  const areas = useAppSelector(selectAreas);
  const away = habits.filter((habit) => habit.archived).length;
  return (
    <Section title="Habits and areas">
      <Way
        path={PATHS.habitsInOrder}
        name="Habits in order"
        aside={`${counted(habits.length - away, 'habit')}${away > 0 ? `, ${away} archived` : ''}`}
      />
      <Way path={PATHS.areas} name="Areas" aside={counted(areas.length, 'area')} />
    </Section>
  );
}

function Way({ path, name, aside }: { path: string; name: string; aside: string }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const router = useRouter();
  return (
    <Pressable
      href={path}
      role="link"
      aria-label={name}
      onPress={(event) => {
        event.preventDefault();
        router.push(path);
      }}
      style={styles.way}
    >
      <Words type="name" style={styles.wayName}>
        {name}
      </Words>
      <Words type="quiet" tone="quiet">
        {aside}
      </Words>
      <ChevronRight size={18} color={colors.quiet} />
    </Pressable>
  );
}

/** Settings that change figures, each with its effect. */
function DaysCard() {
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
    <Section title="Days and weeks">
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
    </Section>
  );
}

/** Full days aimed at in a month and in a year. */
function FullDayTargets() {
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

function DayMarksCard() {
  const [settings, set] = useSetting();
  return (
    <Section title="Day marks">
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
    </Section>
  );
}

const APPEARANCES: { value: Appearance; label: string }[] = [
  { value: 'system', label: 'System' },
  { value: 'light', label: 'Light' },
  { value: 'dark', label: 'Dark' },
];

/** The hidden parts of the app, with one added or removed. */
const hiddenWith = ({ hidden = [] }: Settings, what: Hideable, isHidden: boolean): Hideable[] => [
  ...hidden.filter((each) => each !== what),
  ...(isHidden ? [what] : []),
];

const SHOWN: { value: 'shown' | 'hidden'; label: string }[] = [
  { value: 'shown', label: 'Shown' },
  { value: 'hidden', label: 'Hidden' },
];

/** What a page of the journal asks. */
/** The last day of weeks that begin on one. */
const lastDayOf = (weekStart: Weekday): Weekday => WEEKDAYS[(WEEKDAYS.indexOf(weekStart) + 6) % 7]!;

function JournalChoices() {
  const [settings, set] = useSetting();
  const { change } = useRecording();
  const put = (next: Settings): void => void change(changeTo('settings', next));
  const prompts = useAppSelector(selectPrompts).filter(({ active }) => active).length;
  return (
    <>
      <Labelled label="Mood" hint="How the day was, one of five, on the journal’s page.">
        <Segments
          label="Mood"
          value={settings.hidden?.includes('mood') ? 'hidden' : 'shown'}
          choices={SHOWN}
          onChange={(value) => set({ hidden: hiddenWith(settings, 'mood', value === 'hidden') })}
        />
      </Labelled>
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
      <Way path={PATHS.prompts} name="Prompts of the journal" aside={counted(prompts, 'prompt')} />
    </>
  );
}

function ShownCard() {
  const [settings, set] = useSetting();
  const { appearance, setAppearance, rows, setRows } = useTheme();
  const quotes = useAppSelector((state) => Object.keys(state.records.quotes).length);
  const hidesStreaks = settings.hidden?.includes('streaks') ?? false;
  return (
    <Section title="What is shown">
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
      <Way path={PATHS.quotes} name="Your quotes" aside={counted(quotes, 'quote')} />
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
    </Section>
  );
}

function MoneyCard() {
  const [settings, set] = useSetting();
  const hidesPips = settings.hidden?.includes('pips') ?? false;
  const { currency = '', pipsName = { one: 'pip', many: 'pips' } } = settings;
  return (
    <Section title="Money and pips">
      <SettingField
        label="Currency"
        value={currency}
        placeholder="EUR"
        faultOf={currencyFault}
        hint={
          currency === ''
            ? 'Three letters, such as EUR. Money is written by its rules.'
            : `Money reads ${money(1234.5, currency)}.`
        }
        onKeep={(text) => {
          const code = text.trim().toUpperCase();
          set({ currency: code === '' ? undefined : code });
        }}
      />
      <Labelled
        label="Pips and rewards"
        hint={
          hidesPips
            ? 'No screen shows or mentions them. They are counted all the same, and are there when you want them back.'
            : 'Done days earn them, by what you give each habit; rewards of your own cost them.'
        }
      >
        <Segments
          label="Pips and rewards"
          value={hidesPips ? 'hidden' : 'shown'}
          choices={SHOWN}
          onChange={(value) => set({ hidden: hiddenWith(settings, 'pips', value === 'hidden') })}
        />
      </Labelled>
      {hidesPips ? null : (
        <>
          <Way path={PATHS.rewards} name="Rewards" aside="what pips are enough for" />
          <SettingField
            label="One pip is called"
            value={pipsName.one}
            faultOf={(text) => (text.trim() === '' ? 'Give it a name' : null)}
            hint="Done days earn them; rewards cost them."
            onKeep={(text) => set({ pipsName: { ...pipsName, one: text.trim() } })}
          />
          <SettingField
            label="Several are called"
            value={pipsName.many}
            faultOf={(text) => (text.trim() === '' ? 'Give them a name' : null)}
            hint={`A daily habit with two reads “every day, 2 ${pipsName.many}”.`}
            onKeep={(text) => set({ pipsName: { ...pipsName, many: text.trim() } })}
          />
        </>
      )}
    </Section>
  );
}

const useStyles = themed(() => ({
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  column: { flex: 1, gap: SPACE.l, minWidth: 0 },
  card: { gap: SPACE.l },
  way: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, minHeight: TOUCH_PX },
  wayName: { flex: 1 },
}));
