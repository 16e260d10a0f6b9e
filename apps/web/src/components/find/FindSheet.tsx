import { type PlainDay, formatDay, outcomeOn, pegStateOf } from '@wimbel/core';
import Archive from 'lucide-react-native/icons/archive';
import CalendarFold from 'lucide-react-native/icons/calendar-fold';
import Compass from 'lucide-react-native/icons/compass';
import CornerDownRight from 'lucide-react-native/icons/corner-down-right';
import Layers from 'lucide-react-native/icons/layers';
import Plus from 'lucide-react-native/icons/plus';
import Target from 'lucide-react-native/icons/target';
import { useCallback, useEffect, useEffectEvent, useMemo, useState } from 'react';
import { flushSync } from 'react-dom';
import { Pressable, View } from 'react-native';
import { useStore } from 'react-redux';
import { entryChange } from '../../store/makeChange.ts';
import { selectEntry, selectSettings, selectToday, trackOf } from '../../store/selectors.ts';
import { type RootState, useAppSelector } from '../../store/store.ts';
import { useRecording } from '../../sync/recording.ts';
import { isHiddenPlace } from '../../platform/hiddenPlaces.ts';
import type { Typed } from '../../ui/useTypeAhead.ts';
import { themed, useIsWide, useTheme } from '../../theme/Theme.tsx';
import { CORNER, SPACE, TOUCH_PX } from '../../theme/space.ts';
import { Field } from '../../ui/Field.tsx';
import { Peg } from '../../ui/Peg.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Words } from '../../ui/Words.tsx';
import { afterTap, dayStatusText } from '../../text/dayStatusText.ts';
import { type SearchTarget, PLACES_AND_ACTIONS, searchTargetsOf, finderOf } from './searchTargets.ts';
import { GRID_CELL } from '../../ui/ariaRoles.ts';

const MOST_FOUND = 30;

const ICONS = {
  habit: Archive,
  goal: Target,
  season: CalendarFold,
  step: CornerDownRight,
  area: Layers,
  place: Compass,
  action: Plus,
} as const;

/** A field that finds habits, goals, steps, areas, places and actions by any part of their names. */
export function FindSheet({ onClose, ...rest }: FinderProps & { onClose: () => void }) {
  return (
    <Sheet title="Find" onClose={onClose}>
      <Finder {...rest} />
    </Sheet>
  );
}

type FinderProps = {
  onGo: (path: string) => void;
  /** Hands over what was typed before the field could be seen. */
  takeTyped: () => Typed | null;
};

/**
 * Lays what was typed ahead into the field once the sheet is one. It has the focus a moment before: what is typed in between
 * would be laid about what is there.
 */
function useTyped(takeTyped: () => Typed | null, onTyped: (typed: Typed) => void): void {
  const lay = useEffectEvent(onTyped);
  useEffect(() => {
    let frame = requestAnimationFrame(function look() {
      if (document.querySelector('[role=dialog]') === null) return void (frame = requestAnimationFrame(look));
      const typed = takeTyped();
      if (typed !== null) lay(typed);
    });
    return () => cancelAnimationFrame(frame);
  }, [takeTyped]);
}

function Finder({ onGo, takeTyped }: FinderProps) {
  const isWide = useIsWide();
  const store = useStore<RootState>();
  const today = useAppSelector(selectToday);
  const records = useAppSelector((state) => state.records);
  const { change } = useRecording();
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const all = useMemo(() => searchTargetsOf({ ...store.getState(), records }), [store, records]);
  const find = useMemo(() => finderOf(all), [all]);
  const { hidden } = useAppSelector(selectSettings);
  const findBy = useCallback(
    (asked: string) => {
      const all = asked.trim() !== '' ? find(asked, MOST_FOUND) : PLACES_AND_ACTIONS;
      return hidden === undefined ? all : all.filter(({ path }) => !isHiddenPlace(path, hidden));
    },
    [find, hidden],
  );
  const found = useMemo(() => findBy(text), [findBy, text]);
  const active = Math.min(at, found.length - 1);

  useEffect(() => {
    document.getElementById(`found-${active}`)?.scrollIntoView({ block: 'nearest' });
  }, [active]);

  /** Checks a habit off today, or opens it where that needs a choice. */
  const check = ({ id, path }: SearchTarget): void => {
    const habit = store.getState().records.habits[id];
    if (habit === undefined) return;
    if ((habit.variants ?? []).length > 0) return onGo(path);
    const day = formatDay(today);
    change(entryChange(afterTap(trackOf(store.getState(), habit), today, selectEntry(store.getState(), id, day))));
  };

  const enter = (chosen: SearchTarget | undefined, isWithControl: boolean): void => {
    if (chosen === undefined) return;
    if (isWithControl && chosen.track !== undefined) check(chosen);
    else onGo(chosen.path);
  };

  useTyped(takeTyped, (typed) => {
    const asked = text + typed.text;
    // At once: the next key would be laid into a field that is still empty.
    flushSync(() => setText(asked));
    if (typed.entered !== null) enter(findBy(asked)[0], typed.entered.isWithControl);
  });

  const onKeyDown = (event: React.KeyboardEvent): void => {
    if (event.key === 'ArrowDown') setAt(Math.min(found.length - 1, active + 1));
    else if (event.key === 'ArrowUp') setAt(Math.max(0, active - 1));
    else if (event.key === 'Enter') enter(found[active], event.ctrlKey || event.metaKey);
    else return;
    event.preventDefault();
  };

  return (
    <>
      <View onKeyDownCapture={onKeyDown}>
        <Field
          label="A habit, goal, step, area or place"
          placeholder="Any part of its name"
          value={text}
          onChangeText={(next) => {
            setText(next);
            setAt(0);
          }}
          autoFocus
          autoComplete="off"
          {...(isWide ? { hint: 'Enter opens, Ctrl Enter checks off, arrows choose' } : {})}
          role={'combobox'}
          aria-haspopup={'grid'}
          aria-expanded={true}
          aria-controls={'found'}
          aria-activedescendant={found.length > 0 ? `found-${active}` : undefined}
        />
      </View>
      <View role="grid" nativeID="found" aria-label="Found">
        {found.map((each, index) => (
          <Row
            key={`${each.kind} ${each.id}`}
            found={each}
            index={index}
            isActive={index === active}
            today={today}
            onOpen={() => onGo(each.path)}
            onCheck={() => check(each)}
          />
        ))}
      </View>
      {found.length === 0 ? (
        <View role="status">
          <Words tone="quiet">Nothing of yours has this in its name.</Words>
        </View>
      ) : null}
    </>
  );
}

function Row({
  found,
  index,
  isActive,
  today,
  onOpen,
  onCheck,
}: {
  found: SearchTarget;
  index: number;
  isActive: boolean;
  today: PlainDay;
  onOpen: () => void;
  onCheck: () => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const { track, name, aside, kind } = found;
  const Icon = ICONS[kind];
  const outcome = track === undefined ? null : outcomeOn(track, today);
  return (
    <View
      role="row"
      nativeID={`found-${index}`}
      aria-selected={isActive}
      aria-label={`${name}, ${aside}`}
      style={[styles.row, isActive && styles.active]}
    >
      <View role={GRID_CELL}>
        {track === undefined || outcome === null ? (
          <View style={styles.icon}>
            <Icon size={18} color={colors.quiet} />
          </View>
        ) : (
          <Peg
            state={pegStateOf(track, today)}
            sizePx={24}
            color={colors.working}
            label={`${name}: check off today`}
            isChecked={outcome === 'done' ? true : outcome === 'part' ? 'mixed' : false}
            onPress={onCheck}
          />
        )}
      </View>
      <View role={GRID_CELL} style={styles.cell}>
        <Pressable role="link" aria-label={`Open ${name}`} tabIndex={-1} onPress={onOpen} style={styles.words}>
          <Words type="name" numberOfLines={2}>
            {name}
          </Words>
          <Words type="quiet" tone="quiet" numberOfLines={1}>
            {track === undefined ? aside : `${aside} · ${dayStatusText(track, today)}`}
          </Words>
        </Pressable>
      </View>
    </View>
  );
}

const useStyles = themed((colors) => ({
  row: { flexDirection: 'row', alignItems: 'center', gap: SPACE.xs, borderRadius: CORNER.field, minHeight: 52 },
  active: { backgroundColor: colors.wash },
  icon: { width: TOUCH_PX, height: TOUCH_PX, alignItems: 'center', justifyContent: 'center' },
  cell: { flex: 1, minWidth: 0 },
  words: {
    minWidth: 0,
    minHeight: TOUCH_PX,
    justifyContent: 'center',
    paddingVertical: 6,
    paddingRight: SPACE.s,
  },
}));
