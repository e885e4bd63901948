import type { AlertDetail, VehicleGlance, VehicleItem, WheelState } from '@/api/fleet';
import type { AlertItem } from '@/api/live';

export const NOW = '2026-11-20T06:30:00Z';

export function alertItem(id: string, more: Partial<AlertItem> = {}): AlertItem {
  return {
    id,
    vehicle: 'GX-05',
    position: '2LO',
    kind: 'SLOW_LEAK',
    urgency: 'BEFORE_NEXT_TRIP',
    state: 'NEW',
    openedAt: '2026-11-20T06:00:00Z',
    updatedAt: '2026-11-20T06:00:00Z',
    history: [{ at: '2026-11-20T06:00:00Z', kind: 'SLOW_LEAK', urgency: 'BEFORE_NEXT_TRIP' }],
    summary: `Axle 2 left outer of ${more.vehicle ?? 'GX-05'} is losing 9 kPa an hour.`,
    advice: 'Before the next trip: find the leak.',
    version: 1,
    hasJob: false,
    ...more,
  };
}

export const LIMITS = {
  basis: 'COMPENSATED',
  targetKpa: 800,
  coldKpa: 800,
  referenceC: 20,
  lowKpa: 720,
  lowCriticalKpa: 640,
  highKpa: 920,
  temperatureC: 70,
  temperatureCriticalC: 85,
} as unknown as NonNullable<AlertDetail['limits']>;

export function alertDetail(item: AlertItem, more: Partial<AlertDetail> = {}): AlertDetail {
  return {
    item,
    canBeTakenBack: false,
    causes: [{ likely: 'Nail, valve or bead', because: 'Its siblings stay within 1 %' }],
    chartHours: 12,
    isParked: false,
    isRunSoft: false,
    hasToBeInspected: false,
    limits: LIMITS,
    reasons: ['The sensor reads 742 kPa.'],
    record: [{ at: item.openedAt, change: 'OPENED', kind: item.kind, urgency: item.urgency }],
    safety: [],
    shownPosition: item.position ?? null,
    ...more,
  } as unknown as AlertDetail;
}

export function wheel(position: string, more: Partial<WheelState> = {}): WheelState {
  return {
    position,
    condition: 'OK',
    at: '2026-11-20T06:29:00Z',
    pressureKpa: 800,
    pressureAt20Kpa: 795,
    temperatureC: 22,
    deviation: -0.006,
    sensor: `A0${position}`,
    ...more,
  } as unknown as WheelState;
}

const AXLES = [
  { number: 1, role: 'STEER', wheels: 'SINGLE', isLiftable: false },
  { number: 2, role: 'DRIVE', wheels: 'TWIN', isLiftable: false },
];
const POSITIONS = ['1L', '1R', '2LO', '2LI', '2RI', '2RO'];

export function vehicleItem(ref: string, more: Partial<VehicleItem> = {}): VehicleItem {
  return {
    ref,
    kind: 'RIGID_TRUCK',
    plate: 'KD 41 LUM',
    depot: 'Larkmoor',
    duty: 'GENERAL',
    state: 'IN_SERVICE',
    use: 'ROAD',
    uses: ['ROAD'],
    axles: AXLES,
    alerts: [],
    combination: [ref],
    departure: { verdict: 'MAY_LEAVE', reasons: [] },
    lastHeardAt: '2026-11-20T06:29:00Z',
    wheels: POSITIONS.map((position) => wheel(position)),
    ...more,
  } as unknown as VehicleItem;
}

export function glance(ref: string, more: Partial<VehicleGlance> = {}): VehicleGlance {
  return vehicleItem(ref, more as never) as unknown as VehicleGlance;
}

/** The list of vehicles as it comes over the wire; all are well. */
export function vehicleLines(...refs: string[]): object {
  return {
    at: NOW,
    total: refs.length,
    wheels: refs.length * POSITIONS.length,
    layouts: [{ axles: AXLES, positions: POSITIONS }],
    items: refs.map((ref) => ({
      ref,
      kind: 'RIGID_TRUCK',
      plate: null,
      depot: 'Larkmoor',
      state: 'IN_SERVICE',
      layout: 0,
      sensors: POSITIONS.map(() => null),
      heard: POSITIONS.map(() => 60),
      temperatures: POSITIONS.map(() => 22),
      deviations: POSITIONS.map(() => -6),
      conditions: {},
      urgencies: {},
      alerts: [],
      departure: { verdict: 'MAY_LEAVE', reasons: [] },
    })),
  };
}
