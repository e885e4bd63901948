// @vitest-environment node
import { describe, expect, it } from 'vitest';
import { monthsBack, spanWords } from './month';

describe('months', () => {
  it('go back over the turn of a year, the latest first', () => {
    expect(monthsBack(new Date(2026, 1, 28), 3)).toEqual([
      { value: '2026-02', words: 'February 2026' },
      { value: '2026-01', words: 'January 2026' },
      { value: '2025-12', words: 'December 2025' },
    ]);
  });
});

describe('spans', () => {
  it('are said in the unit that fits', () => {
    expect(spanWords(null)).toBe('nothing known');
    expect(spanWords(0)).toBe('under a minute');
    expect(spanWords(119)).toBe('119 min');
    expect(spanWords(120)).toBe('2 h');
    expect(spanWords(48 * 60)).toBe('2 days');
  });
});
