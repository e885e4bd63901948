// @vitest-environment node
import { describe, expect, it } from 'vitest';
import { unfolded } from './vehicleLines';

const LINES: Parameters<typeof unfolded>[0] = {
  at: '2026-11-20T06:00:00Z',
  total: 1,
  wheels: 3,
  layouts: [
    {
      axles: [{ role: 'STEER', wheels: 'SINGLE', liftable: false }],
      positions: ['1L', '1R', 'S1'],
    },
  ],
  items: [
    {
      ref: 'GX-05',
      kind: 'TRACTOR_UNIT',
      depot: 'Larkmoor',
      state: 'IN_SERVICE',
      layout: 0,
      sensors: ['A1B2C3', null, '722CAF'],
      heard: [90, null, 2],
      temperatures: [31.5, null, 8],
      deviations: [-124, null, 0],
      conditions: { '1L': 'LOW', '1R': 'NO_SENSOR' },
      urgencies: { '1L': 'NEXT_STOP' },
      alerts: [],
      departure: { verdict: 'LOOK_FIRST', reasons: [] },
    },
  ],
};

describe('the list of all vehicles', () => {
  const vehicle = unfolded(LINES).items[0];

  it('is told wheel by wheel, with what was left out because it is as it should be', () => {
    expect(vehicle?.wheels).toEqual([
      {
        position: '1L',
        condition: 'LOW',
        sensor: 'A1B2C3',
        at: '2026-11-20T05:58:30.000Z',
        temperatureC: 31.5,
        deviation: -0.124,
        urgency: 'NEXT_STOP',
      },
      {
        position: '1R',
        condition: 'NO_SENSOR',
        sensor: null,
        at: null,
        temperatureC: null,
        deviation: null,
        urgency: null,
      },
      {
        position: 'S1',
        condition: 'OK',
        sensor: '722CAF',
        at: '2026-11-20T05:59:58.000Z',
        temperatureC: 8,
        deviation: 0,
        urgency: null,
      },
    ]);
  });

  it('makes the wheels of a vehicle once', () => {
    expect(vehicle?.wheels).toBe(vehicle?.wheels);
  });

  it('does not take a spare for a vehicle that was heard', () => {
    expect(vehicle?.lastHeardAt).toBe('2026-11-20T05:58:30.000Z');
  });
});
