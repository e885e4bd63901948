import type { MoveRequest, PlaceKind, RemovalReason, SensorFate } from '@/api/tyres';

/** A wheel of a vehicle. */
export interface Wheel {
  vehicle: string;
  position: string;
}

/** Off every vehicle; which store or repairer is said or not. */
export interface Away {
  kind: PlaceKind;
  name?: string | undefined;
}

/** A tyre of the move that is planned: from a wheel or from a store, to a wheel or off every vehicle. */
export interface Step {
  from: Wheel | { tyre: string; words: string };
  to: Wheel | Away;
  fate?: SensorFate | undefined;
  /** Why it comes off, where it goes to no wheel. */
  reason?: RemovalReason | undefined;
}

export const isWheel = (place: object): place is Wheel => 'position' in place;

export const same = (one: object, other: object): boolean =>
  isWheel(one) && isWheel(other)
    ? one.vehicle === other.vehicle && one.position === other.position
    : 'tyre' in one && 'tyre' in other && one.tyre === other.tyre;

/** The steps with one more; a tyre goes to one place only, and a wheel takes one tyre only. */
export function withStep(steps: readonly Step[], step: Step): Step[] {
  const others = steps.filter(
    (one) => !same(one.from, step.from) && !(isWheel(step.to) && same(one.to, step.to)),
  );
  return same(step.from, step.to) ? others : [...others, step];
}

/** The steps with a wheel that was off and came on again where it was: its nuts are due, nothing else is different. */
export const withOffAndOn = (steps: readonly Step[], wheel: Wheel): Step[] => [
  ...steps.filter((one) => !same(one.from, wheel) && !same(one.to, wheel)),
  { from: wheel, to: wheel },
];

/** The wheel whose tyre has to make room and does not know yet where to go: the next to be asked for. */
export function toMakeRoom(steps: readonly Step[]): Wheel | undefined {
  return steps
    .map((step) => step.to)
    .filter(isWheel)
    .find((to) => !steps.some((step) => same(step.from, to)));
}

/** What is written into each wheel of a vehicle: its own name, or where the tyre comes from that comes to it. */
export function marks(
  steps: readonly Step[],
  vehicle: string,
  positions: readonly string[],
): Record<string, string> {
  const written = Object.fromEntries(positions.map((position) => [position, position]));
  for (const { from } of steps)
    if (isWheel(from) && from.vehicle === vehicle) written[from.position] = 'bare';
  for (const { from, to } of steps) {
    if (isWheel(to) && to.vehicle === vehicle) {
      if (same(from, to)) {
        written[to.position] = 'off, on';
        continue;
      }
      const whose = !isWheel(from) ? 'store' : from.vehicle === vehicle ? from.position : from.vehicle;
      written[to.position] = `${whose} ›`;
    }
  }
  return written;
}

/** The vehicles whose wheels are moved, each once. */
export const vehiclesOf = (steps: readonly Step[]): string[] => [
  ...new Set(
    steps.flatMap(({ from, to }) => [from, to].flatMap((end) => (isWheel(end) ? [end.vehicle] : []))),
  ),
];

export type WhatWent = NonNullable<NonNullable<MoveRequest['steps']>[number]['went']>;

/** The steps as the server takes them; how far a vehicle had run only of those that are concerned. */
export function requestOf(
  steps: readonly Step[],
  at: string | null,
  note: string,
  km: Readonly<Record<string, number | null>> = {},
  went: WhatWent = 'WHOLE_WHEEL',
): MoveRequest {
  const distances = vehiclesOf(steps).flatMap((vehicle) =>
    typeof km[vehicle] === 'number' ? [{ vehicle, km: km[vehicle] }] : [],
  );
  return {
    at,
    note: note.trim() || null,
    ...(distances.length ? { distances } : {}),
    steps: steps.map(({ from, to, fate, reason }) => ({
      ...(isWheel(from) ? { vehicle: from.vehicle, position: from.position } : { tyre: from.tyre }),
      to: isWheel(to)
        ? { vehicle: to.vehicle, position: to.position }
        : { kind: to.kind, ...(to.name?.trim() ? { name: to.name.trim() } : {}) },
      ...(fate ? { sensor: fate } : {}),
      ...(reason && !isWheel(to) ? { reason } : {}),
      went,
    })),
  };
}
