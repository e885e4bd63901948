// @vitest-environment node
import { describe, expect, it } from 'vitest';
import type { HealthWeek } from '@/api/health';
import { rowsOf } from './figures';

const week = (more: Partial<HealthWeek> = {}): HealthWeek => ({
  from: '2026-11-16T00:00:00Z',
  to: '2026-11-23T00:00:00Z',
  calls: 0,
  perHour: 0,
  floodShare: 0,
  chattering: 0,
  standing: 0,
  byUrgency: {},
  closed: {},
  verdicts: {},
  ...more,
});
const bounds = { finePerHour: 6, mostPerHour: 12, mostFlood: 0.01, mostStanding: 4 };
const cells = (words: string, weeks: HealthWeek[]) =>
  rowsOf({ weeks, wheels: [], vehicles: [], limits: [], kinds: [], bounds }).find(
    (row) => row.words === words,
  )?.cells;

describe('the figures of alerts', () => {
  it('are marked where they are beyond what is well, and not at it', () => {
    expect(
      cells('Calls an hour', [week({ perHour: 6 }), week({ perHour: 6.1 })])?.map((c) => c.isBad),
    ).toEqual([false, true]);
    expect(
      cells('Open longer than a day', [week({ standing: 4 }), week({ standing: 5 })])?.map((c) => c.isBad),
    ).toEqual([false, true]);
    expect(cells('Time in flood', [week({ floodShare: 0.01 })])?.[0]).toMatchObject({ isBad: true });
  });

  it('say nothing where nothing is known', () => {
    expect(
      cells('Until seen, middle one', [week(), week({ minutesToSeen: 90 })])?.map((c) => c.text),
    ).toEqual(['–', '1\u00a0h']);
    expect(
      cells('Stop / next stop / before trip / plan', [week(), week({ byUrgency: { PLAN: 3 } })])?.map(
        (c) => c.text,
      ),
    ).toEqual(['–', '0 / 0 / 0 / 3']);
  });

  it('count an inspection as proof', () => {
    expect(
      cells('Closed on proof', [week({ closed: { READINGS: 2, INSPECTION: 1, WORD: 5 } })])?.[0]?.text,
    ).toBe('3');
  });
});
