import type { AskKind, DaySpan, LogSpan, PeriodKind, PlainDay, Run } from '@wimbel/core';

/** The habits that a figure is over, by id; all of them where it names none. */
type Over = { habitIds?: readonly string[] };

/**
 * A figure that can be asked what it is made of, named so that it can be worked out anew from the records as they are.
 * `name` says of what it is, where that is more than its days ("Music, November").
 */
export type FigureQuery =
  | ({ figure: 'dayScore'; day: PlainDay; name?: string } & Over)
  | ({ figure: 'kept'; span: DaySpan; name?: string } & Over)
  | ({ figure: 'keptOnWeekday'; span: DaySpan; weekday: number; name?: string } & Over)
  | ({ figure: 'together'; kind: LogSpan; span: DaySpan; name?: string } & Over)
  | ({ figure: 'week'; days: DaySpan } & Over)
  | ({ figure: 'fullDays' | 'brightDays'; span: DaySpan; name?: string } & Over)
  | ({ figure: 'ribbons'; span: DaySpan; name?: string } & Over)
  | { figure: 'fullDayRun'; which: 'current' | 'longest'; until: PlainDay }
  | { figure: 'habitKept'; habitId: string; span: DaySpan }
  | { figure: 'habitKeptOnWeekday'; habitId: string; span: DaySpan; weekday: number }
  | { figure: 'habitQuota'; habitId: string; kind: PeriodKind; day: PlainDay }
  | { figure: 'habitTarget'; habitId: string; kind: LogSpan; span: DaySpan }
  | { figure: 'habitPlan'; habitId: string; span: DaySpan }
  /** `unit` is that of the terms in force today unless it is given. */
  | { figure: 'habitRun'; habitId: string; run: Run; unit?: AskKind }
  | { figure: 'habitMood'; habitId: string; span: DaySpan; side: 'done' | 'other' }
  | { figure: 'habitAmount'; habitId: string; span: DaySpan }
  | { figure: 'habitDone'; habitId: string; span: DaySpan }
  | { figure: 'habitMean'; habitId: string }
  | { figure: 'seasonScore'; seasonId: string }
  | { figure: 'goals'; goalIds: readonly string[]; name: string }
  | {
      figure: 'goalProgress' | 'goalExpected' | 'goalPace' | 'goalForecast' | 'goalDaysLeft' | 'goalSteps';
      goalId: string;
    }
  | {
      figure: 'keyResult' | 'keyResultExpected' | 'keyResultPace' | 'keyResultForecast' | 'keyResultNeeded';
      goalId: string;
      keyResultId: string;
    };
