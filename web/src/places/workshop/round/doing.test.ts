import { describe, expect, it } from 'vitest';
import type { RoundWheel } from '@/api/rounds';
import { toDo, usualReasons } from './doing';

const wheel = (more: Partial<RoundWheel>): RoundWheel => ({
  position: '1L',
  words: 'axle 1 left',
  targetKpa: 800,
  gaugeKpa: 765,
  temperatureC: 12,
  targetNowKpa: 800,
  action: 'ADD',
  changeKpa: 35,
  at: '2026-11-20T06:00:00Z',
  reason: null,
  reasonBy: null,
  isSettled: false,
  ...more,
});
const bar = (kpa: number) => `${(kpa / 100).toFixed(2)} bar`;

describe('what to do at a wheel', () => {
  it('is said in the unit of the gauge', () => {
    expect(toDo(wheel({}), bar)).toBe('add 0.35 bar');
    expect(toDo(wheel({ action: 'LET_OUT', changeKpa: -20 }), bar)).toBe('let out 0.20 bar');
  });

  it('never bleeds a hot tyre, and never fills one that ran soft', () => {
    expect(toDo(wheel({ action: 'LET_COOL', changeKpa: 0 }), bar)).toContain('never bleed it hot');
    expect(toDo(wheel({ action: 'DO_NOT_INFLATE', changeKpa: 0 }), bar)).toContain('do not inflate');
  });

  it('asks for the hand gauge where nothing is heard', () => {
    expect(toDo(wheel({ action: null, changeKpa: null }), bar)).toContain('no fresh reading');
    expect(toDo(wheel({ action: null, changeKpa: null, at: null }), bar)).toContain('no sensor');
  });

  it('offers no reason to leave a run-soft tyre as it is', () => {
    expect(usualReasons(wheel({ action: 'DO_NOT_INFLATE' }))).toEqual([
      'taken off the vehicle to be looked at',
    ]);
    expect(usualReasons(wheel({ action: 'RIGHT' }))).toEqual([]);
  });
});
