// @vitest-environment node
import { describe, expect, it } from 'vitest';
import { changeWords, type WheelChange } from './changes';

const units = { pressureWords: (kpa: number) => `${kpa} kPa` };
const change = (more: Partial<WheelChange>): WheelChange => ({
  at: '2026-11-20T06:00:00Z',
  kind: 'ADJUSTED',
  ...more,
});

describe('what was done to a wheel', () => {
  it.each([
    [change({ who: 'quill', fromKpa: 760, toKpa: 800 }), 'pressure set from 760 kPa to 800 kPa by quill'],
    [change({ who: 'quill', toKpa: 800, note: 'cold' }), 'pressure set to 800 kPa by quill: cold'],
    [change({ who: 'quill' }), 'pressure set by quill'],
    [change({ kind: 'SENSOR_FITTED', sensor: 'A1B2C3' }), 'sensor A1B2C3 put in'],
    [change({ kind: 'LIMITS_CHANGED', fromKpa: 800, toKpa: 780 }), 'target changed from 800 kPa to 780 kPa'],
    [change({ kind: 'LIMITS_CHANGED', fromKpa: 800, toKpa: 800 }), 'limits changed'],
  ])('is said as a sentence', (one, words) => {
    expect(changeWords(one, units)).toBe(words);
  });
});
