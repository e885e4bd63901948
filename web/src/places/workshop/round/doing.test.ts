// @vitest-environment node
import { describe, expect, it } from 'vitest';
import type { RoundWheel } from '@/api/rounds';
import { usualReasons } from './doing';

const wheel = (more: Partial<RoundWheel>): RoundWheel => ({
  position: '1L',
  words: 'axle 1 left',
  targetKpa: 800,
  gaugeKpa: 765,
  temperatureC: 12,
  targetNowKpa: 800,
  action: 'ADD',
  changeKpa: 35,
  toDo: 'add 35 kPa',
  at: '2026-11-20T06:00:00Z',
  reason: null,
  reasonBy: null,
  isSettled: false,
  ...more,
});
describe('reasons that are offered', () => {
  it('has none to leave a run-soft tyre as it is', () => {
    expect(usualReasons(wheel({ action: 'DO_NOT_INFLATE' }))).toEqual([
      'taken off the vehicle to be looked at',
    ]);
    expect(usualReasons(wheel({ action: 'RIGHT' }))).toEqual([]);
  });
});
