import type { Schemas } from '@/api/client';
import type { StripVehicle } from '@/shared/strip';

export type Axle = Schemas['AxleEntry'];
export type VehicleEntry = Schemas['VehicleEntry'];

/** A vehicle being described. */
export interface Draft {
  ref: string;
  plate: string;
  kind: VehicleEntry['kind'];
  depot: string;
  duty: NonNullable<VehicleEntry['duty']>;
  spares: number;
  axles: Axle[];
}

export const MOST_AXLES = 12;

export const EMPTY: Draft = {
  ref: '',
  plate: '',
  kind: 'RIGID_TRUCK',
  depot: '',
  duty: 'GENERAL',
  spares: 0,
  axles: [],
};

/** The draft that shows a vehicle as it is described. */
export function draftOf(vehicle: VehicleEntry): Draft {
  return {
    ref: vehicle.ref,
    plate: vehicle.plate ?? '',
    kind: vehicle.kind,
    depot: vehicle.depot ?? '',
    duty: vehicle.duty ?? 'GENERAL',
    spares: vehicle.spares,
    axles: vehicle.axles.map((axle) => ({ ...axle })),
  };
}

/** What is sent: blank texts are not said. */
export function entryOf(draft: Draft): VehicleEntry {
  const said = (text: string) => text.trim() || null;
  return {
    ref: draft.ref.trim(),
    kind: draft.kind,
    plate: said(draft.plate),
    depot: said(draft.depot),
    duty: draft.duty,
    spares: draft.spares,
    axles: draft.axles.map((axle) =>
      Object.fromEntries(Object.entries(axle).filter(([, value]) => value !== null && value !== '')),
    ) as Axle[],
  };
}

export function positions(draft: Pick<Draft, 'axles' | 'spares'>): string[] {
  const wheels = draft.axles.flatMap((axle, i) =>
    (axle.wheels === 'TWIN' ? ['LO', 'LI', 'RI', 'RO'] : ['L', 'R']).map((end) => `${i + 1}${end}`),
  );
  return [...wheels, ...Array.from({ length: draft.spares }, (_, i) => `S${i + 1}`)];
}

/** The vehicle as the strip draws it. */
export function stripOf(draft: Pick<Draft, 'ref' | 'axles' | 'spares'>): StripVehicle {
  return {
    ref: draft.ref || 'the new vehicle',
    axles: draft.axles,
    wheels: positions(draft).map((position) => ({ position, condition: 'NO_SENSOR' as const })),
  };
}

const replaced = <T>(list: T[], index: number, ...items: T[]) => [
  ...list.slice(0, index),
  ...items,
  ...list.slice(index + 1),
];

/** An axle like the one at {@code index} behind it; the first axle steers, so its copy is a driven one. */
export function added(draft: Draft, index: number): Draft {
  const like = draft.axles[index];
  if (!like || draft.axles.length >= MOST_AXLES) return draft;
  const copy: Axle = { ...like, ...(like.role === 'STEER' ? { role: 'DRIVE' as const } : {}) };
  return { ...draft, axles: replaced(draft.axles, index, like, copy) };
}

export function removed(draft: Draft, index: number): Draft {
  return draft.axles.length > 1 ? { ...draft, axles: replaced(draft.axles, index) } : draft;
}

/** The axle at {@code index} moved by {@code steps} towards the rear, or the front if negative. */
export function moved(draft: Draft, index: number, steps: number): Draft {
  const to = index + steps;
  const axle = draft.axles[index];
  if (!axle || to < 0 || to >= draft.axles.length) return draft;
  const others = replaced(draft.axles, index);
  return { ...draft, axles: [...others.slice(0, to), axle, ...others.slice(to)] };
}

export function changed(draft: Draft, index: number, how: Partial<Axle>): Draft {
  const axle = draft.axles[index];
  return axle ? { ...draft, axles: replaced(draft.axles, index, { ...axle, ...how }) } : draft;
}

/** The faults the server found, by axle (counted from 0) and field; -1 for those of the vehicle itself. */
export function faultsByAxle(faults: { field: string; message: string }[]): Map<number, Map<string, string>> {
  const found = new Map<number, Map<string, string>>();
  for (const { field, message } of faults) {
    const at = /^\$\.axles\[(\d+)]\.?(.*)$/.exec(field);
    const axle = at ? Number(at[1]) : -1;
    const name = at ? (at[2] ?? '') : field.replace(/^\$\.?/, '');
    const own = found.get(axle) ?? new Map<string, string>();
    found.set(axle, own.set(name.replace(/^limits\./, ''), message));
  }
  return found;
}
