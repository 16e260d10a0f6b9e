import {
  type Track,
  dayOf,
  finishedOn,
  formatDay,
  monthFigures,
  monthOfDay,
  setTargetOf,
  variantFigures,
  yearFigures,
  yearOfDay,
  eachEntry,
  isTargetReached,
  monthRewards,
  rewardOfMonth,
  withRewardEnjoyed,
  monthSpan,
  yearSpan,
  doneBetween,
} from '@wimbel/core';
import { useRouter } from 'expo-router';
import { type ReactNode, useState } from 'react';
import { Pressable, View } from 'react-native';
import { selectHidesStreaks, selectIsHidden, selectSettings, selectEntries } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { termsWords } from '../../../text/termsText.ts';
import { amount, amountOf, number, outOf } from '../../../text/amounts.ts';
import { targetWords } from '../../../text/keptText.ts';
import {
  capital,
  counted,
  dateNear,
  fullDate,
  monthAndYear,
  monthName,
  percent,
  spanInWords,
} from '../../../text/format.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE, TOUCH_PX } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { CardHead } from '../../../ui/CardHead.tsx';
import { ProgressBar } from '../../../ui/ProgressBar.tsx';
import { Words } from '../../../ui/Words.tsx';
import { FinishLineSheet, PauseSheet, VariantsSheet } from './HabitSheets.tsx';
import { MonthTargetSheet, YearTargetSheet } from '../targets/TargetSheets.tsx';
import { useHabitEdit } from './useHabitEdit.ts';
import type { FigureQuery } from '../../../text/figureQuery.ts';
import { Figure } from '../../../components/figure/Figure.tsx';
import { PATHS } from '../../../platform/paths.ts';

function Deed({ label, onPress, children = 'Set' }: { label: string; onPress: () => void; children?: string }) {
  return (
    <Button kind="bare" label={label} onPress={onPress}>
      {children}
    </Button>
  );
}

/** What this month and this year ask: what was set, or the plan. */
export function TargetsCard({ track, color }: { track: Track; color: string }) {
  const styles = useStyles();
  const router = useRouter();
  const { passMark } = useAppSelector(selectSettings);
  const [sheet, setSheet] = useState<'month' | 'year' | null>(null);
  const { habit, today } = track;
  const month = monthOfDay(today);
  const year = yearOfDay(today);
  const ofMonth = monthFigures(track, month, passMark);
  const ofYear = yearFigures(track, year);
  const set = setTargetOf(habit, month);
  const reward = rewardOfMonth(habit, month);
  const setYear = habit.yearTargets?.[String(year)];
  const unit = habit.measure.kind === 'amount' ? habit.measure.unit : '';
  const amounts = ({ amount: sum, amountTarget }: typeof ofYear): string | null =>
    sum === undefined || amountTarget === null || amountTarget === undefined ? null : amountOf(sum, amountTarget, unit);
  return (
    <Card label="Targets" style={styles.card}>
      <CardHead
        title="Targets"
        aside={
          <Deed label="Targets of all habits" onPress={() => router.push(PATHS.habitTargets)}>
            All habits
          </Deed>
        }
      />
      <TargetLine
        name={monthName(month)}
        source={set?.days === undefined ? 'as planned' : 'set by you'}
        isSet={set?.days !== undefined}
        asked={{ figure: 'habitTarget', habitId: habit.id, kind: 'month', span: monthSpan(month) }}
        figures={ofMonth}
        amounts={amounts(ofMonth)}
        color={color}
        action={<Deed label="Set the month’s target" onPress={() => setSheet('month')} />}
      />
      {reward === null ? null : (
        <Words type="quiet" tone="brassText">
          {isTargetReached(ofMonth) ? 'Earned' : 'Reward'}: {reward}
        </Words>
      )}
      <TargetLine
        name={String(year)}
        source={setYear?.days === undefined ? 'its months together' : 'set by you'}
        isSet={setYear?.days !== undefined}
        asked={{ figure: 'habitTarget', habitId: habit.id, kind: 'year', span: yearSpan(year) }}
        figures={ofYear}
        amounts={amounts(ofYear)}
        color={color}
        action={<Deed label="Set the year’s target" onPress={() => setSheet('year')} />}
      />
      {sheet === 'month' ? <MonthTargetSheet track={track} onClose={() => setSheet(null)} /> : null}
      {sheet === 'year' ? <YearTargetSheet track={track} onClose={() => setSheet(null)} /> : null}
    </Card>
  );
}

/** A target that was set, with what is done of it; or what is planned where none is. */
function TargetLine({
  name,
  source,
  isSet,
  asked,
  figures,
  amounts,
  color,
  action,
}: {
  name: string;
  source: string;
  isSet: boolean;
  asked: Extract<FigureQuery, { figure: 'habitTarget' }>;
  figures: { actual: number; target: number; left: number; share: number | null };
  amounts: string | null;
  color: string;
  action: ReactNode;
}) {
  const styles = useStyles();
  const { actual, target, left, share } = figures;
  const words = isSet
    ? `${targetWords(actual, target, left)}, ${percent(share)}`
    : `${counted(target, 'day')} planned, ${number(actual)} done`;
  return (
    <View style={styles.target}>
      <View style={styles.line}>
        <View style={styles.grow}>
          <Words type="strong">{name}</Words>
          <Words type="small" tone="quiet">
            {source}
          </Words>
        </View>
        {action}
      </View>
      <Figure asked={asked} label={`${name}: ${words}`}>
        <Words type="label">{words}</Words>
      </Figure>
      {isSet ? <ProgressBar ratio={share ?? 0} color={color} label={`${name}: ${words}`} heightPx={5} /> : null}
      {amounts === null ? null : (
        <Figure
          asked={{ figure: 'habitAmount', habitId: asked.habitId, span: asked.span }}
          label={`${name}: ${amounts}`}
        >
          <Words type="quiet" tone="quiet">
            {amounts}
          </Words>
        </Figure>
      )}
    </View>
  );
}

/** Its terms through time, the latest first; those still to come can be taken back. */
export function TermsCard({ track }: { track: Track }) {
  const styles = useStyles();
  const edit = useHabitEdit();
  const { pipsName } = useAppSelector(selectSettings);
  const hidesPips = useAppSelector((state) => selectIsHidden(state, 'pips'));
  const { habit, today } = track;
  const list = [...habit.terms].reverse();
  return (
    <Card label="Schedule history" style={styles.card}>
      <CardHead title="Schedule history" />
      {list.map((terms, index) => {
        const next = list[index - 1];
        const from = dayOf(terms.from);
        const isFirst = index === list.length - 1;
        const begins = isFirst && from <= track.first ? `since the first day, ${fullDate(track.first)}` : null;
        const span = next
          ? `${begins === null ? '' : 'from the first day, '}${spanInWords({ first: isFirst ? track.first : from, last: dayOf(next.from) - 1 }, today)}`
          : (begins ?? `${from > today ? 'from' : 'since'} ${fullDate(from)}`);
        return (
          <View key={terms.from} style={styles.line}>
            <View style={styles.grow}>
              <Words type={index === 0 ? 'strong' : 'body'} tone={index === 0 ? 'ink' : 'quiet'}>
                {capital(termsWords(hidesPips ? { ...terms, pips: 0 } : terms, habit.measure, pipsName))}
              </Words>
              <Words type="quiet" tone="quiet">
                {capital(span)}
              </Words>
            </View>
            {from >= today && !isFirst ? (
              <Deed
                label={`Undo the change of ${dateNear(from, today)}`}
                onPress={() =>
                  edit({ ...habit, terms: habit.terms.filter((each) => each !== terms) }, 'The change is undone')
                }
              >
                Take back
              </Deed>
            ) : null}
          </View>
        );
      })}
    </Card>
  );
}

/** So many done days in all, and then done. */
export function FinishLineCard({ track, color }: { track: Track; color: string }) {
  const styles = useStyles();
  const [isOpen, setIsOpen] = useState(false);
  const { habit, today } = track;
  const { finishLine } = habit;
  const reached = finishedOn(track);
  const done = doneBetween(track, { first: track.first, last: today });
  const days = finishLine?.days ?? 0;
  const lineWords =
    reached === null
      ? `${done} of ${counted(days, 'day')}, ${days - done} to go`
      : `${counted(days, 'day')} reached on ${dateNear(reached, today)}`;
  return (
    <Card label="Finish line" style={styles.card}>
      <CardHead title="Finish line" aside={<Deed label="Set the finish line" onPress={() => setIsOpen(true)} />} />
      {finishLine === undefined ? (
        <Words type="quiet" tone="quiet">
          None: it goes on. Set one for a habit that is done after so many times.
        </Words>
      ) : (
        <>
          <Figure
            asked={{ figure: 'habitDone', habitId: habit.id, span: { first: track.first, last: today } }}
            label={lineWords}
          >
            <Words>{lineWords}</Words>
          </Figure>
          <ProgressBar
            ratio={done / finishLine.days}
            color={color}
            label={`${outOf(done, finishLine.days)} days in all`}
            heightPx={6}
          />
          {finishLine.reward ? (
            <Words type="quiet" tone="brassText">
              {reached === null ? 'Reward' : 'Earned'}: {finishLine.reward}
            </Words>
          ) : null}
        </>
      )}
      {isOpen ? <FinishLineSheet habit={habit} onClose={() => setIsOpen(false)} /> : null}
    </Card>
  );
}

/** The rewards of months, this one's and those before: earned or not, and when they were enjoyed. */
export function MonthRewardsCard({ track }: { track: Track }) {
  const styles = useStyles();
  const edit = useHabitEdit();
  const { habit, today } = track;
  const rewards = monthRewards(track);
  if (rewards.length === 0) return null;
  return (
    <Card label="Rewards of months" style={styles.card}>
      <CardHead title="Rewards of months" />
      {rewards.map(({ month, reward, state, left, enjoyedOn }) => {
        const name = monthAndYear(month);
        const enjoy = (day: string | null): void =>
          void edit(
            withRewardEnjoyed(habit, month, day),
            day === null ? `${reward}: not enjoyed yet` : `${reward}: enjoyed`,
          );
        return (
          <View key={month} style={styles.rewardLine}>
            <View style={styles.rewardWords}>
              <Words tone={state === 'earned' ? 'brassText' : 'ink'}>{reward}</Words>
              <Words type="quiet" tone="quiet">
                {name}:{' '}
                {state === 'open'
                  ? left > 0
                    ? `${counted(left, 'day')} to go`
                    : 'not yet earned'
                  : state === 'missed'
                    ? 'not earned'
                    : enjoyedOn === null
                      ? 'earned'
                      : `earned, enjoyed on ${dateNear(dayOf(enjoyedOn), today)}`}
              </Words>
            </View>
            {state !== 'earned' ? null : enjoyedOn === null ? (
              <Deed label={`Enjoyed: ${reward}, ${name}`} onPress={() => enjoy(formatDay(today))}>
                Enjoyed
              </Deed>
            ) : (
              <Deed label={`Not enjoyed yet: ${reward}, ${name}`} onPress={() => enjoy(null)}>
                Not yet
              </Deed>
            )}
          </View>
        );
      })}
    </Card>
  );
}

/** The pauses, past and to come. */
export function PausesCard({ track }: { track: Track }) {
  const styles = useStyles();
  const [opened, setOpened] = useState<number | 'new' | null>(null);
  const { habit, today } = track;
  const hidesStreaks = useAppSelector(selectHidesStreaks);
  const pauses = habit.pauses ?? [];
  return (
    <Card label="Pauses" style={styles.card}>
      <CardHead
        title="Pauses"
        aside={
          <Deed label="Add a pause" onPress={() => setOpened('new')}>
            Add
          </Deed>
        }
      />
      {pauses.length === 0 ? (
        <Words type="quiet" tone="quiet">
          {hidesStreaks
            ? 'None. In a pause nothing is due.'
            : 'None. In a pause nothing is due, and the streak goes on after it.'}
        </Words>
      ) : (
        pauses.map((pause, index) => (
          <Pressable
            key={`${pause.from} ${index}`}
            role="button"
            aria-label={`Pause from ${pause.from}`}
            onPress={() => setOpened(index)}
            style={styles.press}
          >
            <Words>{spanInWords({ first: dayOf(pause.from), last: dayOf(pause.to) }, today)}</Words>
            <Words type="quiet" tone="quiet">
              {[
                pause.to < formatDay(today) ? '' : pause.from > formatDay(today) ? 'still to come' : 'running',
                pause.why,
              ]
                .filter(Boolean)
                .join(', ')}
            </Words>
          </Pressable>
        ))
      )}
      {opened === null ? null : (
        <PauseSheet track={track} at={opened === 'new' ? null : opened} onClose={() => setOpened(null)} />
      )}
    </Card>
  );
}

/** Its ways, with how often and when last each was done. */
export function VariantsCard({ track }: { track: Track }) {
  const styles = useStyles();
  const [isOpen, setIsOpen] = useState(false);
  const { habit, today } = track;
  const entries = useAppSelector((state) => selectEntries(state, habit.id));
  const figures = variantFigures(habit, [...eachEntry(entries)], today);
  const groups = [...new Set(figures.map((each) => each.group))];
  const unit = habit.measure.kind === 'amount' ? habit.measure.unit : '';
  return (
    <Card label="Ways of doing it" style={styles.card}>
      <CardHead
        title="Ways of doing it"
        aside={
          <Deed label="Change the ways of doing it" onPress={() => setIsOpen(true)}>
            {figures.length === 0 ? 'Add' : 'Change'}
          </Deed>
        }
      />
      {figures.length === 0 ? (
        <Words type="quiet" tone="quiet">
          Exercises, pieces or routes of this habit. Checking off then asks which it was.
        </Words>
      ) : null}
      {groups.map((group) => (
        <View key={group ?? ''} style={styles.group}>
          {group === null ? null : (
            <Words type="label" tone="quiet">
              {group}
            </Words>
          )}
          {figures
            .filter((each) => each.group === group)
            .map((each) => (
              <View key={each.id} style={styles.line}>
                <Words style={styles.grow}>{each.name}</Words>
                <Words type="quiet" tone="quiet">
                  {each.last === null
                    ? 'not yet'
                    : [
                        counted(each.times, 'time'),
                        each.amount === null ? '' : amount(each.amount, unit),
                        `last ${dateNear(each.last, today)}`,
                      ]
                        .filter(Boolean)
                        .join(', ')}
                </Words>
              </View>
            ))}
        </View>
      ))}
      {isOpen ? <VariantsSheet habit={habit} onClose={() => setIsOpen(false)} /> : null}
    </Card>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.m },
  target: { gap: SPACE.xs },
  line: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, flexWrap: 'wrap' },
  grow: { flex: 1, minWidth: 90 },
  rewardLine: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s },
  rewardWords: { flex: 1, minWidth: 0 },
  press: { minHeight: TOUCH_PX, justifyContent: 'center' },
  group: { gap: SPACE.xs },
}));
