import { type PlainDay, dayFromParts } from '@wimbel/core';
import { deviceNow } from '../platform/clock.ts';
import { type UnknownAction, createAction } from '@reduxjs/toolkit';

/** The day it is by this device's clock, `dayEndsAt` hours after midnight counted to the day before. */
export function dayByClock(now: Date, dayEndsAt: number): PlainDay {
  const day = dayFromParts(now.getFullYear(), now.getMonth() + 1, now.getDate());
  return now.getHours() < dayEndsAt ? day - 1 : day;
}

type ClockState = { today: PlainDay };

export const dayTurned = createAction<PlainDay>('clock/dayTurned');

export function clockReducer(state: ClockState | undefined, action: UnknownAction): ClockState {
  if (dayTurned.match(action)) return { today: action.payload };
  return state ?? { today: dayByClock(deviceNow(), 0) };
}
