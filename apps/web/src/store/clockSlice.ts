import { type PlainDay, dayFromParts } from '@wimbel/core';
import { deviceNow } from '../shared/clock.ts';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** The day it is by this device's clock, `dayEndsAt` hours after midnight counted to the day before. */
export function dayByClock(now: Date, dayEndsAt: number): PlainDay {
  const day = dayFromParts(now.getFullYear(), now.getMonth() + 1, now.getDate());
  return now.getHours() < dayEndsAt ? day - 1 : day;
}

const slice = createSlice({
  name: 'clock',
  initialState: () => ({ today: dayByClock(deviceNow(), 0) }),
  reducers: {
    dayTurned(state, { payload }: PayloadAction<PlainDay>) {
      state.today = payload;
    },
  },
});

export const { dayTurned } = slice.actions;
export const clockReducer = slice.reducer;
