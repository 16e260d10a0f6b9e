export { lazy } from './lazy.ts';
export {
  type KeyResultKind,
  KEY_RESULT_KINDS,
  isKeyResultKind,
  checkInsOf,
  scaleOfKind,
  sourceOfKind,
  needsAmounts,
  isSpanMeasure,
  isStepsMeasure,
  unitOfMeasure,
} from './keyResults/kinds.ts';
export {
  type PlainMonth,
  monthFromParts,
  partsOfMonth,
  monthOfDay,
  daysInMonth,
  monthSpan,
  formatMonth,
  parseMonth,
  monthOf,
} from './calendar/month.ts';
export {
  type PlainDay,
  type Weekday,
  WEEKDAYS,
  type DayParts,
  LAST_DAY,
  isLeapYear,
  daysInMonthOf,
  dayFromParts,
  partsOfDay,
  parseDay,
  dayOf,
  formatDay,
  weekdayOf,
} from './calendar/plainDay.ts';
export { type DaySpan, daysIn, holdsDay, overlaps, eachDay } from './calendar/span.ts';
export { startOfWeek, weekSpan, isoWeekNumber } from './calendar/week.ts';
export { yearOfDay, yearSpan, monthsOfYear, quarterOfMonth, quartersOfYear } from './calendar/year.ts';
export { type AmountLimit, type AmountStems, amountStems } from './chart/amountStems.ts';
export { type RingPart, areaRing } from './chart/areaRing.ts';
export { type BarsSize, type BarMark, type Bars, bars } from './chart/bars.ts';
export { type BoringInput, type BoringHole, type Boring, boring } from './chart/boring.ts';
export { CURL_PATH } from './chart/curl.ts';
export { type HabitCourse, habitCourse } from './chart/habitCourse.ts';
export { fillPath, gappedRimPath } from './chart/peg.ts';
export { type PegboardColumn, pegboardColumns } from './chart/pegboardColumns.ts';
export { type PegState, pegStateOf, type CordStretch, cordsIn } from './chart/pegboardRow.ts';
export { type MoodRow, moodRows } from './chart/moodRows.ts';
export { type ProgressLineInput, type ProgressLine, monthTicks, progressLine } from './chart/progressLine.ts';
export { type RunArch, type RunsPicture, runsPicture } from './chart/runsPicture.ts';
export { type SharePoint, type ShareLine, shareLine, meanOfSeven } from './chart/shareLine.ts';
export { spread } from './chart/spread.ts';
export { type TimeLineInput, type TimeLineRow, type TimeLine, timeLine } from './chart/timeLine.ts';
export { toneScale } from './chart/tone.ts';
export { type TrendMark, type TrendLine, trendLine } from './chart/trendLine.ts';
export {
  type PlateValue,
  type PlateCell,
  type YearPlate,
  yearPlate,
  monthsPlate,
  weeksPlate,
  type PlateLayers,
  plateLayers,
} from './chart/yearPlate.ts';
export { type YearRing, yearRing } from './chart/yearRing.ts';
export { type DayMarkScale, DEFAULT_DAY_MARKS, dayMarkOf } from './day/dayMark.ts';
export {
  type DayTotals,
  type DayScore,
  totalsOf,
  totalsAfter,
  scoreOn,
  doneHabitsOn,
  flexibleNeedOn,
  flexibleToGoOn,
  fullnessOn,
  fullDayRuns,
} from './day/dayScore.ts';
export { quoteOfDay } from './day/quoteOfDay.ts';
export { type HabitWeek, type WeeksMet, habitWeek, weeksMetIn } from './day/habitWeeks.ts';
export { type WeekTotal, daysStillOpen, weekTotals } from './day/weekTotals.ts';
export { type WeeklyNeed, weeklyNeed, roundTo } from './goal/weeklyNeed.ts';
export { type GoalsTogether, type MeasuredGoal, goalsTogether, yearOfGoal } from './goal/goalGroups.ts';
export { evenCheckpoints } from './goal/checkpointPlan.ts';
export { type KeyResultContext, type Course, courseOf } from './goal/course.ts';
export { type DueThing, dueThings, inDueOrder } from './goal/dueThings.ts';
export { carryingTracks } from './goal/carrying.ts';
export { type LinePoint, checkpointPoints, expectedOn } from './goal/expected.ts';
export { type GoalRecords, type GoalCourse, type ProgressBy, progressByOf, goalCourse } from './goal/goalCourse.ts';
export { type GoalFigures, goalFigures } from './goal/goalFigures.ts';
export { type CheckpointRow, type KeyResultFigures, figuresOfCourse, keyResultFigures } from './goal/keyResult.ts';
export { milestoneState, waitsFor, comesBefore } from './goal/milestones.ts';
export { type Pace, paceOf, forecastOf, neededPerWeek } from './goal/pace.ts';
export { type GoalCopy, goalInAnotherYear } from './goal/copyGoal.ts';
export { type GoalMove, quarterOfGoal, goalMovedTo } from './goal/quarter.ts';
export {
  type StepState,
  type StepNode,
  stepState,
  stepDays,
  type StepsValue,
  stepsValue,
  allStepsValue,
  type StepSort,
  STEP_SORTS,
  stepsSorted,
  stepTree,
  stepsBelow,
  stepsMarked,
} from './goal/steps.ts';
export { type StoryItem, goalStory } from './goal/story.ts';
export { goalMoved, goalPostponed, goalClosed, goalReopened, goalWithWord } from './goal/turns.ts';
export { instantKey, type DatedValue, valuesInOrder, valueOn } from './goal/valueAt.ts';
export { endedHabit, archivedHabit, resumedHabit } from './habit/ending.ts';
export { dayOfDone, finishedOn } from './habit/finishLine.ts';
export {
  type Kept,
  type WeekdayKept,
  NOTHING_ASKED,
  keptOver,
  keptSum,
  keptTogether,
  weekdaysTogether,
  type KeptSpan,
  keptSpans,
  keptByWeekday,
} from './habit/kept.ts';
export {
  LOG_SPANS,
  isFreeSpan,
  type LogSpan,
  logSpanOf,
  dayOfNeighbour,
  logTarget,
  logFigures,
} from './habit/logSpan.ts';
export { type MonthReward, isTargetReached, monthRewards, withRewardEnjoyed } from './habit/monthRewards.ts';
export { type MissReason, missReasons } from './habit/missReasons.ts';
export { OUTCOMES, type Outcome, recordedOutcome, thresholdRatio } from './habit/outcome.ts';
export {
  type PeriodKind,
  type QuotaStanding,
  type QuotaVerdict,
  PARTS_PER_NEED,
  needOf,
  periodOf,
  quotaStanding,
  quotaSeenOn,
  needOn,
  quotaVerdict,
  quotaHistory,
} from './habit/periods.ts';
export { type Asked, askedBetween, wholeAsked, waitingSince } from './habit/asked.ts';
export { type KeptGroup, countedDone, keptGroups } from './habit/keptPeriods.ts';
export { setTargetOf, setDaysOf } from './habit/targetMonths.ts';
export { type Ranked, rankHabits } from './habit/ranking.ts';
export { type Recent, last30 } from './habit/recent.ts';
export { type AskKind, askKindOf, namesDay, PARTS_PER_DAY, owedParts } from './habit/schedule.ts';
export { type MonthWish, withMonthTarget, isTakenOver, withYearTarget } from './habit/settingTargets.ts';
export { type Run, type Streak, RunChain, runsOf, longestRun, aliveRun, streakOf } from './habit/streak.ts';
export {
  type Figures,
  type MonthFigures,
  planOf,
  rewardOfMonth,
  type Target,
  monthTargetOf,
  monthsTargetOf,
  yearTargetOf,
  spanFigures,
  monthFigures,
  yearFigures,
  quarterTargetOf,
  figuresAgainst,
  earnsRibbon,
  RIBBON_NEEDS_DAYS,
  weeklyAmountOf,
  amountForDays,
  togetherOf,
  daysToRibbon,
} from './habit/targets.ts';
export { habitBegunOn, withFirstTermsFrom } from './habit/firstTerms.ts';
export { isRecord } from './habit/buildTrack.ts';
export { withPipsFrom } from './habit/settingPips.ts';
export { type HeldTerms, heldTerms, termsIndexOn, termsOn } from './habit/terms.ts';
export {
  ASKED,
  DUE,
  OWED_WEEKLY,
  OWED_MONTHLY,
  OWED,
  FLEXIBLE,
  PLANNED,
  type PeriodColumns,
  type Track,
  outcomeOn,
  asksOn,
  isScheduledOn,
  isOpen,
  streakUnitOn,
  INTERVAL,
  isActiveOn,
  isActiveIn,
  activeDaysIn,
  doneBetween,
  amountBetween,
  eachTerms,
  pipsBetween,
  plannedBetween,
  fillRatio,
} from './habit/track.ts';
export { type ChangedEntry, buildTrack, buildTrackFromYears, trackAfter } from './habit/buildTrack.ts';
export { type TrendPoint, TREND_NEEDS_DAYS, trendOf } from './habit/trend.ts';
export { type VariantFigures, variantFigures, withParts } from './habit/variants.ts';
export {
  type MoodMean,
  type MoodBeside,
  type FeelingFigures,
  moodByDay,
  moodByMonth,
  feelingFigures,
  moodBeside,
  moodMeanBeside,
} from './mood/mood.ts';
export {
  JOURNAL_PARTS,
  isAnswered,
  hasWriting,
  isEmptyPage,
  pagesOfDay,
  withAnswer,
  type AskedPrompt,
  promptsOf,
  withFeelingRenamed,
  feelingsByUse,
  checkedByWriting,
  pagesByDay,
  writingOf,
} from './journal/page.ts';
export { type PageRoom, mergedPage, putTogether } from './journal/mergePages.ts';
export {
  LOOK_BACK_SPANS,
  type LookBackSpan,
  isWritten,
  saidAnswers,
  reviewOfSpan,
  spanJustBefore,
  plannedBefore,
  type OfferedReview,
  offeredReviews,
  type Remembered,
  rememberedOn,
  spanOfReview,
  linesOf,
  newReview,
} from './journal/lookBack.ts';
export { type YearWish, habitNextYear, daysAimedIn } from './habit/nextYear.ts';
export {
  type LedgerSources,
  type PipsByDay,
  type PipsOver,
  type LedgerLine,
  pipsByDay,
  pipsOver,
  balanceByDay,
  ledgerOfDay,
  goodDayPips,
  goodDaysFor,
  rewardsStanding,
} from './pips/ledger.ts';
export { pipsOfFullWeek, pipsOfFullMonth } from './pips/pipsOfTerms.ts';
export { type Promised, promisedRewards } from './pips/promised.ts';
export { type LineThrough, lineThrough } from './chart/lineThrough.ts';
export { moodOver } from './mood/moodOver.ts';
export { type Miss, type MissedFor, missesIn, missesByReason } from './habit/misses.ts';
export { type Reached, type GoalMoved, goalMoves } from './goal/goalMoves.ts';
export { type MoodSun, type MoodPlate, sunHeight, monthsOfMoods, weeksOfMoods } from './chart/moodPlate.ts';
export { type MoodPoint, type MoodLine, moodLine } from './chart/moodLine.ts';
export {
  TOLERANCE,
  isApproximately,
  isAtLeast,
  isMoreThan,
  floorExact,
  roundRatio,
  tidySum,
  shareOf,
  wholePercent,
} from './number/exact.ts';
export { type Fraction, ZERO, fraction, fractionOf, numberOf, ceilOf } from './number/fraction.ts';
export {
  habitPips,
  habitPipsByMonth,
  type PipsColumn,
  type PipsOfMonth,
  type PipsBalance,
  type PipsSources,
  pipsBalance,
  pipsByMonth,
} from './pips/pips.ts';
export {
  type EntryYears,
  type EntryYear,
  NO_ENTRIES,
  firstOfYear,
  entryYearsOf,
  entryOn,
  withEntriesOn,
  yearsOf,
  eachEntry,
  changedDays,
} from './record/entryYears.ts';
export {
  type DayText,
  type MonthText,
  type InstantText,
  type Schedule,
  type Terms,
  type Measure,
  type Dye,
  DYES,
  type PartOfDay,
  PARTS_OF_DAY,
  HIDEABLE,
  GOAL_TURNS,
  type GoalTurn,
  type Hideable,
  type Impact,
  TODAY_BY,
  type TodayBy,
  type Settings,
  DEFAULT_SETTINGS,
  type Area,
  type MonthTarget,
  type YearTarget,
  type Pause,
  type Habit,
  type Mark,
  type EntryPart,
  type Entry,
  type GoalState,
  type Goal,
  type KeyResultMeasure,
  type KeyResult,
  type CheckIn,
  type Step,
  type Milestone,
  type Season,
  type MonthPage,
  type Mood,
  type JournalPart,
  type JournalAnswer,
  type JournalPage,
  type Prompt,
  type ReviewAnswers,
  type Review,
  type HabitNote,
  type Reward,
  type Claim,
  type Quote,
  type Reminder,
  type Records,
  emptyRecords,
} from './record/records.ts';
export {
  type PeriodTargets,
  type HabitFigures,
  habitFiguresFrom,
  habitMonthFigures,
  monthDaysOf,
  periodFigures,
} from './figures/habitFigures.ts';
export { type Together, type MonthSummary, monthTogether, dayCounts } from './figures/monthSummary.ts';
export { type ReviewFact, type Improved, reviewFacts, mostImproved } from './figures/reviewFacts.ts';
export {
  REVIEW_SPANS,
  type ReviewSpan,
  type SpanReview,
  type HabitReview,
  type AreaReview,
  type PartReview,
  type RunReview,
  type SpanSums,
  reviewSpanOf,
  spanBefore,
  partsOfSpan,
  spanReview,
  daysCompared,
} from './figures/spanReview.ts';
export {
  type AccountRecords,
  type MoodFigures,
  type FiguredGoal,
  type FiguredSeason,
  type AccountFigures,
  accountRecords,
  accountFigures,
} from './figures/accountFigures.ts';
export {
  type HabitReport,
  type KeyResultReport,
  type GoalReport,
  type SeasonReport,
  type Report,
  reportOf,
  writeReport,
} from './figures/report.ts';
export { type SeasonWeek, type SeasonFigures, tiedTracks, seasonFigures } from './season/season.ts';
export {
  type SeasonStanding,
  seasonSpan,
  seasonWeekSpan,
  seasonWeekOn,
  seasonsInOrder,
  seasonOn,
  seasonAfter,
  seasonLaidOver,
  seasonStanding,
  bestAndWorst,
} from './season/seasonSpan.ts';
export {
  type OfferedSeasonReview,
  reviewOfSeasonWeek,
  reviewOfSeason,
  reviewsBesideSeason,
  newSeasonReview,
  offeredSeasonReviews,
  plannedInSeason,
} from './season/seasonReviews.ts';
export { mergedRecord, mergeInto, type Order as MergeOrder, type Merged, partsChanged } from './record/mergeFields.ts';
export { type MergePolicy, mergePolicyOf } from './record/mergePolicy.ts';
export { type LostWriting, type Room, fittedRecord, lostWriting } from './record/lostWriting.ts';
export { type TextAndOthers, bothTexts, partText, settleOther, shownText, wholeText } from './record/twoTexts.ts';
export { type SeasonHole, type SeasonPlate, seasonPlate } from './chart/seasonPlate.ts';
export { meanOfSeasonWeeks } from './breakdown/seasonBreakdown.ts';
export {
  type PartOf,
  type ColumnSays,
  type BreakdownPart,
  type Adjustment,
  type Breakdown,
  addsUp,
} from './breakdown/breakdown.ts';
export {
  keptOfHabit,
  quotaOfHabit,
  againstTarget,
  againstPlan,
  runOfHabit,
  amountsOfHabit,
  doneOfHabit,
  meanOfDoneDays,
  keptOnWeekday,
} from './breakdown/habitBreakdown.ts';
export {
  scoreOfDay,
  keptByHabits,
  keptByHabitsOn,
  togetherInSpan,
  togetherInDays,
  countedDays,
  ribbonsOfMonths,
  runOfFullDays,
} from './breakdown/togetherBreakdown.ts';
export {
  progressOfGoal,
  stepsOfGoal,
  expectedOfGoal,
  expectedOfKeyResult,
  paceBreakdown,
  forecastBreakdown,
  neededBreakdown,
  daysLeftBreakdown,
  meanOfGoals,
  currentOfKeyResult,
} from './breakdown/goalBreakdown.ts';
export { type Ordered, compareByOrder } from './record/order.ts';
