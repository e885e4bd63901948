// @vitest-environment node
import { describe, expect, it } from 'vitest';
import type { WheelDays } from '@/api/history';
import { daysPlot, HEIGHT, lowestDay, rangeOf, WIDTH } from './daysPlot';

const day = (at: string, mean: number, min = mean, max = mean): WheelDays['days'][number] => ({
  sensor: 'A00001',
  at,
  pressureKpa: mean,
  pressureAt20Kpa: mean,
  temperatureC: 20,
  batteryMv: null,
  rssiDbm: null,
  moving: null,
  summary: {
    count: 1,
    minPressureKpa: min,
    maxPressureKpa: max,
    minPressureAt20Kpa: min,
    maxPressureAt20Kpa: max,
    minTemperatureC: 20,
    maxTemperatureC: 20,
  },
});
const wheel: WheelDays = {
  position: '1L',
  targetKpa: 800,
  lowKpa: 720,
  lowCriticalKpa: 640,
  days: [day('2026-11-01T00:00:00Z', 800, 780, 820), day('2026-11-02T00:00:00Z', 700)],
};

describe('the days of a wheel', () => {
  it('are drawn from edge to edge, higher pressures higher', () => {
    const from = Date.parse('2026-11-01T00:00:00Z');
    const plot = daysPlot(wheel, from, from + 2 * 86_400_000, [600, 900]);
    expect(plot.marks.map(({ x }) => x)).toEqual([WIDTH / 4, (WIDTH * 3) / 4]);
    expect(plot.marks[0]?.high).toBeLessThan(plot.marks[0]?.low ?? 0);
    expect(plot.target).toBeCloseTo(HEIGHT - (200 / 300) * HEIGHT);
    expect(plot.critical).toBeGreaterThan(plot.low);
  });

  it('fit into the range with their limits, and one that is out of it stays on the field', () => {
    const [bottom, top] = rangeOf([wheel]);
    expect(bottom).toBe(630);
    expect(top).toBe(830);
    expect(daysPlot(wheel, 0, 1, [750, 900]).critical).toBe(HEIGHT);
  });

  it('know their lowest', () => {
    expect(lowestDay(wheel)).toEqual({ at: '2026-11-02T00:00:00Z', kpa: 700 });
    expect(lowestDay({ ...wheel, days: [] })).toBeUndefined();
  });
});
