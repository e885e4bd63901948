// @vitest-environment node
import { describe, expect, it } from 'vitest';
import type { VehicleGlance } from '@/api/fleet';
import type { AlertItem } from '@/api/live';
import { alertTargets, find, vehicleTargets } from './targets';

const vehicle = (ref: string, ...codes: string[]): VehicleGlance => ({
  ref,
  kind: 'BUS',
  plate: 'SB 07 ORL',
  depot: 'Sallow Bridge',
  state: 'IN_SERVICE',
  axles: [],
  sensors: codes,
  wheels: codes.map((sensor, i) => ({ position: i ? '1R' : '1L', condition: 'OK', sensor })),
  alerts: [],
  departure: { verdict: 'MAY_LEAVE', reasons: [] },
});
const targets = vehicleTargets([vehicle('BV-03', '722CAF', '5B0D3E'), vehicle('GX-05', 'A1B2C3')]);
const titles = (typed: string) => find(targets, typed).map((target) => target.title);

describe('the jump box', () => {
  it('finds a vehicle before its wheels, by ref or the number in it', () => {
    expect(titles('bv-03')).toEqual(['BV-03', 'BV-03 1L', 'BV-03 1R']);
    expect(titles('05')).toEqual(['GX-05', 'GX-05 1L']);
  });

  it('finds a wheel and a sensor code by their beginnings', () => {
    expect(titles('gx 1l')).toEqual(['GX-05 1L']);
    expect(titles('5b0d')).toEqual(['BV-03 1R']);
    expect(titles('0d3e')).toEqual([]);
  });

  it('finds by plate and depot', () => {
    expect(titles('orl')).toEqual(['BV-03', 'GX-05']);
  });

  it('puts what was typed exactly before what begins with it', () => {
    const alert = { id: '7', kind: 'HOT_TYRE', vehicle: 'BV-03', position: '1L', summary: '' } as AlertItem;
    const all = [...alertTargets([alert]), ...targets];
    expect(find(all, 'BV-03 1l').map((target) => target.kind)).toEqual(['wheel', 'alert']);
    expect(find(all, 'bv-03 h').map((target) => target.kind)).toEqual(['alert']);
  });

  it('leads from a wheel to its vehicle, with the wheel chosen', () => {
    expect(find(targets, '5B0D3E')[0]?.to).toBe('/vehicles/BV-03?wheel=1R');
  });
});
