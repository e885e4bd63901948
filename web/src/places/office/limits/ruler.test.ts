// @vitest-environment node
import { describe, expect, it } from 'vitest';
import type { LimitPolicy } from '@/api/limits';
import { kpaOf, pctOf, SHARES } from '@/shared/limits';
import { heated, moved, ticks } from './ruler';

const policy: LimitPolicy = {
  basis: 'COMPENSATED',
  lowPct: 10,
  lowCriticalPct: 20,
  highPct: 15,
  temperatureC: 70,
  temperatureCriticalC: 85,
  referenceC: 20,
};

describe('the limit ruler', () => {
  it('has a row for each share of the target, the lowest first', () => {
    expect(SHARES.map((share) => [share.name, share.sign])).toEqual([
      ['lowCriticalPct', -1],
      ['lowPct', -1],
      ['highPct', 1],
    ]);
  });

  it('shows limits as pressures and pressures as shares', () => {
    expect(kpaOf('lowPct', policy, 780)).toBeCloseTo(702, 9);
    expect(kpaOf('highPct', policy, 800)).toBeCloseTo(920, 9);
    // 117 of 90 psi is 30 % over, not the 25 it is often meant to be.
    expect(pctOf('highPct', 117, 90)).toBeCloseTo(30, 9);
    expect(pctOf('lowPct', 720, 800)).toBeCloseTo(10, 9);
  });

  it('lets low limits push each other rather than cross', () => {
    expect(moved(policy, 'lowPct', 25)).toMatchObject({ lowPct: 25, lowCriticalPct: 25.5 });
    expect(moved(policy, 'lowCriticalPct', 8)).toMatchObject({ lowCriticalPct: 8, lowPct: 7.5 });
    expect(moved(policy, 'lowPct', 12.3)).toMatchObject({ lowPct: 12.5, lowCriticalPct: 20 });
  });

  it('keeps limits on their side of the target however far they are dragged', () => {
    expect(moved(policy, 'lowPct', -40).lowPct).toBeGreaterThan(0);
    expect(moved(policy, 'highPct', -40).highPct).toBeGreaterThan(0);
    const deep = moved(policy, 'lowPct', 400);
    expect(deep.lowCriticalPct).toBeLessThan(100);
    expect(deep.lowPct).toBeLessThan(deep.lowCriticalPct);
  });

  it('lets temperatures push each other', () => {
    expect(heated(policy, 'temperatureC', 90)).toMatchObject({ temperatureC: 90, temperatureCriticalC: 91 });
    expect(heated(policy, 'temperatureCriticalC', 20)).toMatchObject({
      temperatureCriticalC: 31,
      temperatureC: 30,
    });
  });

  it('marks its scale in round steps', () => {
    expect(ticks(5.8, 9.2, 8)).toEqual([6, 6.5, 7, 7.5, 8, 8.5, 9]);
  });
});
