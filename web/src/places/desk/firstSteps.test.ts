// @vitest-environment node
import { describe, expect, it } from 'vitest';
import type { VehicleGlance } from '@/api/fleet';
import type { JobLine } from '@/api/jobs';
import { firstSteps, isBeginning, type Begun } from './firstSteps';

const vehicle = (state: VehicleGlance['state'], more: Partial<VehicleGlance> = {}) =>
  ({
    ref: 'LM-40',
    state,
    wheels: [],
    axles: [],
    alerts: [],
    kind: 'RIGID_TRUCK',
    ...more,
  }) as unknown as VehicleGlance;
const job = (more: Partial<JobLine>): JobLine => ({
  id: '7',
  vehicle: 'LM-40',
  state: 'OPEN',
  openedAt: '2026-11-20T06:00:00Z',
  openedBy: 'quill',
  wheels: 6,
  paired: 0,
  proved: 0,
  ...more,
});
const NOTHING: Begun = { vehicles: [], plans: 0, jobs: [], receivers: 0 };
const states = (begun: Begun) => firstSteps(begun).map((step) => step.state);

describe('the first steps', () => {
  it('begin with a vehicle where there is nothing', () => {
    expect(states(NOTHING)).toEqual(['next', 'later', 'later', 'later', 'later', 'later']);
  });

  it('go on to the kit once a vehicle is described with its targets', () => {
    expect(states({ ...NOTHING, vehicles: [vehicle('DESCRIBED')] })).toEqual([
      'done',
      'done',
      'next',
      'later',
      'later',
      'later',
    ]);
  });

  it('do not ask for a kit plan where sensors are paired without one', () => {
    const begun = { ...NOTHING, vehicles: [vehicle('BEING_FITTED')], jobs: [job({ paired: 2 })] };
    expect(states(begun)).toEqual(['done', 'done', 'done', 'next', 'later', 'later']);
    expect(firstSteps(begun)[3]?.words).toContain('2 of 6 wheels');
    expect(firstSteps(begun)[3]?.to).toEqual({ name: 'job', params: { id: '7' } });
  });

  it('take a receiver for done when something was heard, not when its token was made', () => {
    const begun = {
      ...NOTHING,
      vehicles: [vehicle('BEING_FITTED')],
      jobs: [job({ paired: 6 })],
      receivers: 1,
    };
    expect(states(begun)).toEqual(['done', 'done', 'done', 'done', 'next', 'later']);
    const heard = { ...begun, vehicles: [vehicle('BEING_FITTED', { lastHeardAt: '2026-11-20T06:00:00Z' })] };
    expect(states(heard).at(-1)).toBe('done');
  });

  it('are over with the first vehicle in service, and with one that was', () => {
    expect(isBeginning([])).toBe(true);
    expect(isBeginning([vehicle('BEING_FITTED')])).toBe(true);
    expect(isBeginning([vehicle('BEING_FITTED'), vehicle('IN_SERVICE')])).toBe(false);
    expect(isBeginning([vehicle('OUT_OF_SERVICE')])).toBe(false);
  });
});
