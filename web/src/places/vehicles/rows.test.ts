// @vitest-environment node
import { describe, expect, it } from 'vitest';
import type { VehicleGlance } from '@/api/fleet';
import { byDepot, isChosen, lines, matches, NO_CHOICE } from './rows';

function vehicle(
  ref: string,
  depot: string | null,
  urgency?: VehicleGlance['alerts'][number]['urgency'],
): VehicleGlance {
  return {
    ref,
    kind: 'BUS',
    plate: 'SB 07 ORL',
    depot,
    state: 'IN_SERVICE',
    axles: [],
    sensors: ['722CAF'],
    wheels: [{ position: '1L', condition: 'OK', sensor: '722CAF' }],
    alerts: urgency
      ? [
          {
            id: '1',
            position: '1L',
            kind: 'HOT_TYRE',
            urgency,
          },
        ]
      : [],
    departure: {
      verdict: urgency && urgency !== 'PLAN' ? 'NOT_YET' : 'MAY_LEAVE',
      reasons: urgency ? ['1L hot'] : [],
    },
  };
}

describe('the vehicles', () => {
  it('stand by depot, in the order of the list', () => {
    const groups = byDepot([
      vehicle('C-3', 'High Tarn', 'STOP_NOW'),
      vehicle('B-2', 'High Tarn', 'PLAN'),
      vehicle('A-1', 'Larkmoor'),
      vehicle('D-4', null),
    ]);
    expect(groups.map((g) => [g.depot, g.vehicles.map((v) => v.ref)])).toEqual([
      ['High Tarn', ['C-3', 'B-2']],
      ['Larkmoor', ['A-1']],
      ['No depot', ['D-4']],
    ]);
  });

  it.each(['bv', 'ORL', 'lark', '722ca', '  ', ''])('are found by "%s"', (search) => {
    expect(matches(vehicle('BV-03', 'Larkmoor'), search)).toBe(true);
  });

  it('are not found by something else', () => {
    expect(matches(vehicle('BV-03', 'Larkmoor'), 'GX')).toBe(false);
  });

  it('are chosen by depot, need and text together', () => {
    const bus = vehicle('BV-03', 'Larkmoor', 'PLAN');
    expect(isChosen(bus, NO_CHOICE)).toBe(true);
    expect(isChosen(bus, { text: 'bv', depot: 'Larkmoor', need: 'SOME' })).toBe(true);
    expect(isChosen(bus, { text: 'bv', depot: 'Larkmoor', need: 'NONE' })).toBe(false);
    expect(isChosen(bus, { text: 'bv', depot: 'High Tarn', need: 'ALL' })).toBe(false);
  });

  it('make a departure list: who may not leave stands first', () => {
    const list = lines([vehicle('A-1', 'Larkmoor'), vehicle('B-2', 'High Tarn', 'STOP_NOW')], true);
    expect(list.map((line) => ('vehicle' in line ? line.vehicle.ref : line.heading))).toEqual([
      'Must not leave',
      'B-2',
      'May leave',
      'A-1',
    ]);
  });
});
