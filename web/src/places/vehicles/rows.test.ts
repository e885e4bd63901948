import { describe, expect, it } from 'vitest';
import type { VehicleItem } from '@/api/fleet';
import { byDepot, matches } from './rows';

function vehicle(
  ref: string,
  depot: string | null,
  urgency?: VehicleItem['alerts'][number]['urgency'],
): VehicleItem {
  return {
    ref,
    kind: 'BUS',
    plate: 'SB 07 ORL',
    depot,
    axles: [],
    wheels: [{ position: '1L', condition: 'OK', sensor: '722CAF', isClockWrong: false }],
    alerts: urgency
      ? [
          {
            id: '1',
            position: '1L',
            kind: 'HOT_TYRE',
            urgency,
            summary: '',
            openedAt: '2026-11-20T06:00:00Z',
          },
        ]
      : [],
  };
}

describe('the vehicles', () => {
  it('stand by depot, those that need most first', () => {
    const groups = byDepot([
      vehicle('A-1', 'Larkmoor'),
      vehicle('B-2', 'High Tarn', 'PLAN'),
      vehicle('C-3', 'High Tarn', 'STOP_NOW'),
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
});
