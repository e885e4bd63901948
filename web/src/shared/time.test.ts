// @vitest-environment node
import { describe, expect, it } from 'vitest';
import { clock, dated, span } from './time';
import { NBSP } from './units';

describe('time', () => {
  it.each([
    [-5_000, `0${NBSP}s`],
    [12_900, `12${NBSP}s`],
    [60_000, `1${NBSP}min`],
    [3_599_000, `59${NBSP}min`],
    [47 * 3_600_000, `47${NBSP}h`],
    [48 * 3_600_000, `2${NBSP}d`],
  ])('says %i ms in its largest sensible unit', (millis, words) => {
    expect(span(millis)).toBe(words);
  });

  it('leaves the day out only where it is today', () => {
    const now = new Date(2026, 10, 25, 0, 30);
    expect(clock(new Date(2026, 10, 24, 23, 58), now)).toBe('24 Nov, 23:58');
    expect(clock(new Date(2026, 10, 25, 0, 5), now)).toBe('00:05');
    expect(clock(new Date(2026, 10, 23, 6, 4), now)).toBe('23 Nov, 06:04');
  });

  it('gives records their day always, and their year where it is not this one', () => {
    const year = new Date().getFullYear();
    expect(dated(new Date(year, 10, 28, 6, 4))).toBe('28 Nov, 06:04');
    expect(dated(new Date(year - 2, 0, 3, 23, 59))).toBe(`3 Jan ${String(year - 2)}, 23:59`);
  });
});
