import { describe, expect, it } from 'vitest';
import type { EvidenceChart } from '@/api/fleet';
import { plotData } from './plot';

function chart(...minutes: number[]): EvidenceChart {
  const begin = Date.UTC(2026, 10, 20, 6);
  return {
    from: new Date(begin).toISOString(),
    to: new Date(begin + 7_200_000).toISOString(),
    points: minutes.map((minute) => ({
      at: new Date(begin + minute * 60_000).toISOString(),
      pressureKpa: 800,
      pressureAt20Kpa: 780,
      temperatureC: 30,
    })),
    siblings: [],
    siblingWheels: 0,
  };
}

describe('plotData', () => {
  it('leaves a gap where a sensor was quiet', () => {
    const data = plotData(
      chart(0, 1, 90),
      (kpa) => kpa,
      (celsius) => celsius,
    );
    expect(data.at20).toEqual([780, 780, null, 780]);
    expect(data.times).toHaveLength(4);
    expect([...data.times].sort((a, b) => a - b)).toEqual(data.times);
  });

  it('speaks the reader’s units', () => {
    const data = plotData(
      chart(0),
      (kpa) => kpa / 100,
      (celsius) => celsius * 1.8 + 32,
    );
    expect(data.gauge).toEqual([8]);
    expect(data.temperature).toEqual([86]);
  });
});
