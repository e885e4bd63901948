import { describe, expect, it } from 'vitest';
import type { JobItem, JobWheel } from '@/api/jobs';
import type { Waiting } from '@/api/outbox';
import { isDone, marks, nextWheel, presentStage, withWaiting } from './job';

const by = { number: 1, at: '2026-11-20T06:00:00Z', who: 'quill' };

function wheel(position: string, more: Partial<JobWheel> = {}): JobWheel {
  return {
    position,
    words: position,
    targetKpa: 780,
    state: { position, condition: 'NO_SENSOR', isClockWrong: false },
    misfits: [],
    received: 0,
    expected: 0,
    advisesRepeater: false,
    missing: ['no sensor yet'],
    ...more,
  };
}

function job(...wheels: JobWheel[]): JobItem {
  return {
    id: '7',
    vehicle: 'LM-60',
    vehicleState: 'BEING_FITTED',
    isFarm: false,
    proofStepKpa: 20,
    walk: 'DOWN_LEFT_UP_RIGHT',
    walkWords: '',
    state: 'OPEN',
    openedAt: by.at,
    openedBy: by.who,
    axles: [],
    wheels,
    steps: [],
    warmth: { lowestC: 15, highestC: 35 },
    cautions: [],
    heldBack: [],
    isProven: false,
  };
}

const inspection = (failures: string[]): NonNullable<JobWheel['inspection']> => ({
  by,
  treadMm: [9],
  stem: 'SOUND',
  isValveReachable: true,
  isRetread: false,
  failures,
  unlikeMate: [],
});

const waiting = (position: string, kind: 'PAIRED' | 'LEFT_OUT', data: Waiting['entry']['data']): Waiting => ({
  job: '7',
  entry: { key: `key-${position}`, kind, position, data: data ?? {} },
});

describe('a job', () => {
  it('goes on with the next wheel that is not done, round the vehicle', () => {
    const own = job(wheel('1L', { code: 'A' }), wheel('2L'), wheel('2R', { code: 'B' }), wheel('1R'));
    expect(nextWheel(own, 'pair')).toBe('2L');
    expect(nextWheel(own, 'pair', '2L')).toBe('1R');
    expect(nextWheel(own, 'pair', '1R')).toBe('2L');
  });

  it('is done with a wheel that failed only once somebody passed it', () => {
    expect(isDone(wheel('1L', { inspection: inspection([]) }), 'inspect')).toBe(true);
    expect(isDone(wheel('1L', { inspection: inspection(['worn']) }), 'inspect')).toBe(false);
    const passed = { ...inspection(['worn']), passedAnyway: { by, reason: 'Friday' } };
    expect(isDone(wheel('1L', { inspection: passed }), 'inspect')).toBe(true);
  });

  it('begins where it was left', () => {
    expect(presentStage(job(wheel('1L'), wheel('1R')))).toBe('inspect');
    const mounted = { inspection: inspection([]), mounted: by };
    expect(presentStage(job(wheel('1L', mounted), wheel('1R', mounted)))).toBe('pair');
    expect(presentStage(job(wheel('1L', { code: 'A' }), wheel('1R', { leftOut: { by, reason: 'x' } })))).toBe(
      'prove',
    );
  });

  it('marks what is done, left out and failed', () => {
    const own = job(wheel('1L', { code: 'A' }), wheel('1R', { leftOut: { by, reason: 'x' } }), wheel('2L'));
    expect(marks(own, 'pair')).toEqual({ '1L': '✓', '1R': '–', '2L': '' });
    expect(marks(job(wheel('1L', { inspection: inspection(['worn']) })), 'inspect')).toEqual({ '1L': 'no' });
  });

  it('shows what waits on this device as done, and nothing of another job', () => {
    const own = job(wheel('1L'), wheel('1R'));
    const seen = withWaiting(own, [
      waiting('1L', 'PAIRED', { code: '5B0D40' }),
      waiting('1R', 'LEFT_OUT', { reason: 'rim cracked' }),
      { ...waiting('1L', 'PAIRED', { code: 'FFFFFF' }), job: '8' },
    ]);
    expect(seen.wheels[0]?.code).toBe('5B0D40');
    expect(seen.wheels[1]?.leftOut?.reason).toBe('rim cracked');
    expect(withWaiting(own, [])).toBe(own);
  });
});
