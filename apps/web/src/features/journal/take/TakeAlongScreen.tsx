import {
  type DaySpan,
  type PlainDay,
  NO_ENTRIES,
  dayOf,
  eachDay,
  formatDay,
  monthOfDay,
  moodByDay,
  parseDay,
} from '@wimbel/core';
import { type TakeAlong, takeAlongMarkdown } from '@wimbel/exchange';
import { useLocalSearchParams, useRouter } from 'expo-router';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import FileText from 'lucide-react-native/icons/file-text';
import Printer from 'lucide-react-native/icons/printer';
import { type ReactNode, useEffect, useMemo, useState } from 'react';
import { createPortal } from 'react-dom';
import { View } from 'react-native';
import { MoodPlatePicture } from '../../../charts/MoodPlatePicture.tsx';
import { WrittenText } from '../../../components/journal/WrittenText.tsx';
import { download } from '../../../platform/download.ts';
import { useExportName } from '../../../components/account/useExportName.ts';
import { fullDate } from '../../../text/format.ts';
import { useLocalNameSet } from '../../../platform/localSettings.ts';
import { PATHS } from '../../../platform/paths.ts';
import { selectIsHidden, selectJournal, selectSettings, selectToday, selectTracks } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { OnPaper, themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Chips } from '../../../ui/Chips.tsx';
import { Field } from '../../../ui/Field.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { Words } from '../../../ui/Words.tsx';
import { TAKEN, type Taken, takeAlongOf } from './takeAlongOf.ts';

const NAMES: Record<Taken, string> = {
  sums: 'Figures',
  moods: 'Moods',
  feelings: 'Feelings',
  misses: 'Missed, and why',
  writing: 'What was written',
  answers: 'Answers',
};

/** Any days on a page or a few, to be printed or saved and shown to somebody: what is on it is chosen. */
export function TakeAlongScreen() {
  const styles = useStyles();
  const { colors } = useTheme();
  const router = useRouter();
  const params = useLocalSearchParams<{ from?: string; to?: string }>();
  const today = useAppSelector(selectToday);
  const to = Math.min(today, parseDay(params.to ?? '') ?? today);
  const from = parseDay(params.from ?? '') ?? to - 6;
  const earliest = useEarliest();
  // A year that is only half typed lies long before anything there is.
  const span = useMemo(
    (): DaySpan => ({ first: Math.max(Math.min(from, to), Math.min(earliest, to)), last: Math.max(from, to) }),
    [from, to, earliest],
  );
  const [saved, setSaved] = useState('');
  // What is left out is remembered, so that everything is on it at first.
  const [leftOut, toggle] = useLocalNameSet('takeAlongLeftOut');
  const { taken, hidesMood } = useTaken(span, leftOut);
  const offered = TAKEN.filter((part) => !(hidesMood && part === 'moods'));
  const goTo = (first: PlainDay, last: PlainDay): void =>
    router.setParams({ from: formatDay(first), to: formatDay(last) });
  // What lies below the sheet is out of reach while it is there.
  useEffect(() => {
    const below = document.getElementById('root');
    below?.setAttribute('inert', '');
    return () => below?.removeAttribute('inert');
  }, []);
  const nameOf = useExportName();
  const save = (): void => {
    const file = nameOf('md', 'journal', formatDay(span.first), formatDay(span.last));
    download(file, new Blob([takeAlongMarkdown(taken)], { type: 'text/markdown' }));
    // The page covers everything, toasts included.
    setSaved(`Saved as ${file}`);
  };
  const page = (
    <div data-print="" style={{ background: colors.paper }}>
      <View dataSet={{ printTools: '' }} style={styles.tools}>
        <View style={styles.line}>
          <IconButton
            icon={ChevronLeft}
            label="Back to the journal"
            onPress={() => (router.canGoBack() ? router.back() : router.replace(PATHS.journalPages))}
          />
          <Words type="section" heading={1} style={styles.grow}>
            To take along
          </Words>
        </View>
        <View style={styles.days}>
          <View style={styles.day}>
            <Field
              label="From"
              value={formatDay(from)}
              onChangeText={(text) => goTo(parseDay(text) ?? from, to)}
              isDate
            />
          </View>
          <View style={styles.day}>
            <Field
              label="To"
              value={formatDay(to)}
              onChangeText={(text) => goTo(from, Math.min(today, parseDay(text) ?? to))}
              isDate
            />
          </View>
        </View>
        <Chips
          label="What is on it"
          isMultiple
          chips={offered.map((part) => ({ value: part, label: NAMES[part] }))}
          chosen={offered.filter((part) => !leftOut.has(part))}
          onPress={toggle}
        />
        <View style={styles.buttons}>
          <Button kind="main" icon={<Printer size={18} color={colors.onWorking} />} onPress={() => window.print()}>
            Print
          </Button>
          <Button icon={<FileText size={18} color={colors.ink} />} onPress={save}>
            Save as Markdown
          </Button>
        </View>
        <View role="status">{saved === '' ? null : <Words tone="quiet">{saved}</Words>}</View>
      </View>
      <OnPaper>
        <TakenSheet taken={taken} span={span} hasMoods={!hidesMood && !leftOut.has('moods')} />
      </OnPaper>
    </div>
  );
  return createPortal(page, document.body);
}

/** The first day there is a record or a page of. */
function useEarliest(): PlainDay {
  const journal = useAppSelector(selectJournal);
  const tracks = useAppSelector(selectTracks);
  const today = useAppSelector(selectToday);
  return useMemo(() => {
    const days = [...journal.map(({ day }) => dayOf(day)), ...tracks.map(({ first }) => first)];
    return days.reduce((least, day) => Math.min(least, day), today - 6);
  }, [journal, tracks, today]);
}

function useTaken(span: DaySpan, leftOut: ReadonlySet<string>): { taken: TakeAlong; hidesMood: boolean } {
  const journal = useAppSelector(selectJournal);
  const tracks = useAppSelector(selectTracks);
  const settings = useAppSelector(selectSettings);
  const today = useAppSelector(selectToday);
  const entries = useAppSelector((state) => state.records.entries);
  const hidesMood = useAppSelector((state) => selectIsHidden(state, 'mood'));
  const taken = useMemo(() => {
    const parts = TAKEN.filter((part) => !leftOut.has(part) && !(hidesMood && part === 'moods'));
    const names = new Map(tracks.map(({ habit }) => [habit.id, habit.name]));
    const source = {
      journal,
      tracks,
      settings,
      today,
      entriesOf: (habitId: string) => entries[habitId] ?? NO_ENTRIES,
      nameOf: (habitId: string) => names.get(habitId) ?? '',
    };
    return takeAlongOf(source, span, new Set<Taken>(parts));
  }, [journal, tracks, settings, today, entries, span, leftOut, hidesMood]);
  return { taken, hidesMood };
}

/** The sheet as it is printed, over as many pages as it needs. */
function TakenSheet({ taken, span, hasMoods }: { taken: TakeAlong; span: DaySpan; hasMoods: boolean }) {
  const styles = useOnPaperStyles();
  const today = useAppSelector(selectToday);
  const { title, sums, feelings, misses, days, moods } = taken;
  const isEmpty = [sums, feelings, misses, days, moods].every((part) => part.length === 0);
  return (
    <View dataSet={{ printFlow: '' }} style={styles.sheet}>
      <View style={styles.head}>
        <Words type="title" heading={2} style={styles.grow}>
          {title}
        </Words>
        <Words type="quiet" tone="quiet">
          Wimbel, {fullDate(today)}
        </Words>
      </View>
      {isEmpty ? <Words tone="quiet">Nothing was written in these days, or all of it is left out.</Words> : null}
      {sums.map((each) => (
        <Words key={each} type="name">
          {each}
        </Words>
      ))}
      {hasMoods && moods.length > 0 ? <MoodsOnPaper span={span} /> : null}
      {feelings.length === 0 ? null : (
        <Part title="Feelings">
          <Words>{feelings.map(({ feeling, told }) => `${feeling} (${told})`).join(', ')}</Words>
        </Part>
      )}
      {misses.length === 0 ? null : (
        <Part title="Missed, and why">
          {misses.map(({ reason, which }) => (
            <Words key={reason}>
              {reason}: {which.join('; ')}
            </Words>
          ))}
        </Part>
      )}
      {days.map(({ day, about, writings }) => (
        <Part key={day} title={day}>
          {about === '' ? null : (
            <Words type="quiet" tone="quiet">
              {about}
            </Words>
          )}
          {writings.map(({ asked, text }, at) => (
            <View key={at} style={styles.writing}>
              {asked === null ? null : <Words type="label">{asked}</Words>}
              <WrittenText text={text} />
            </View>
          ))}
        </Part>
      ))}
    </View>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  const styles = useOnPaperStyles();
  return (
    <View dataSet={{ printWhole: '' }} style={styles.part}>
      <Words type="card" heading={3}>
        {title}
      </Words>
      {children}
    </View>
  );
}

const NO_CHOICE = { at: null, chosen: null, choose: () => undefined, hover: () => undefined };

/** The moods of the days as suns over the sea, a row for each month. */
function MoodsOnPaper({ span }: { span: DaySpan }) {
  const journal = useAppSelector(selectJournal);
  const today = useAppSelector(selectToday);
  const moodOf = useMemo(() => {
    const moods = moodByDay(journal);
    return (day: PlainDay): number | null => (day < span.first || day > span.last ? null : (moods.get(day) ?? null));
  }, [journal, span]);
  const months = useMemo(() => [...new Set(eachDay(span).map(monthOfDay))], [span]);
  return (
    <MoodPlatePicture months={months} today={today} moodOf={moodOf} label="Moods of these days" choice={NO_CHOICE} />
  );
}

const useStyles = themed(() => ({
  tools: { gap: SPACE.m, padding: SPACE.l, maxWidth: 760, width: '100%' },
  line: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, marginLeft: -SPACE.m },
  grow: { flexGrow: 1, flexShrink: 1, minWidth: 120 },
  days: { flexDirection: 'row', gap: SPACE.m },
  day: { flex: 1, minWidth: 0 },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
}));

const useOnPaperStyles = themed((colors) => ({
  sheet: {
    width: '100%',
    maxWidth: 760,
    flexShrink: 0,
    gap: SPACE.l,
    padding: SPACE.xl,
    marginBottom: SPACE.xl,
    backgroundColor: '#FFFFFF',
    borderWidth: 1,
    borderColor: colors.line,
  },
  head: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.l, flexWrap: 'wrap' },
  grow: { flex: 1, minWidth: 160 },
  part: { gap: SPACE.xs },
  writing: { gap: 2 },
}));
