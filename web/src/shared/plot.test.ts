// @vitest-environment node
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
    doubtful: [],
    siblings: [],
    siblingWheels: 0,
    changes: [],
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

  it('joins means of hours, and leaves a gap where several are missing', () => {
    const hourly = [0, 60, 120, 180, 300, 360, 1_800, 1_860];
    const data = plotData(
      chart(...hourly),
      (kpa) => kpa,
      (celsius) => celsius,
    );
    expect(data.at20.filter((kpa) => kpa === null)).toHaveLength(1);
    expect(data.at20[6]).toBeNull();
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
