// @vitest-environment node
import { describe, expect, it } from 'vitest';
import type { BatteryVisit } from '@/api/due';
import { byMonth, monthName } from './batteries';

const visit = (depot: string | null, on: string, cells: number): BatteryVisit => ({
  depot,
  on,
  isBeforeCold: false,
  cells: Array.from({ length: cells }, (_, i) => ({ sensor: `A0000${i}` })) as BatteryVisit['cells'],
});

describe('a year of batteries', () => {
  const year = byMonth(
    [
      visit('High Tarn', '2026-12-31', 3),
      visit('High Tarn', '2027-10-31', 2),
      visit('High Tarn', '2029-01-01', 7),
      visit(null, '2026-12-01', 1),
    ],
    new Date('2026-12-31T23:00:00Z'),
  );

  it('begins with this month and has twelve', () => {
    expect(year.months).toHaveLength(12);
    expect(year.months[0]).toBe('2026-12');
    expect(year.months[11]).toBe('2027-11');
  });

  it('counts cells by depot, and what is later', () => {
    const [none, tarn] = year.rows;
    expect(none?.depot).toBe('');
    expect(tarn?.counts.get('2026-12')).toBe(3);
    expect(tarn?.counts.get('2027-10')).toBe(2);
    expect(tarn?.later).toBe(7);
    expect(tarn?.next).toEqual({ month: '2026-12', count: 3 });
  });

  it('names months as people do', () => {
    expect(monthName('2027-03')).toBe('March 2027');
  });
});
