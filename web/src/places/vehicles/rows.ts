import type { VehicleGlance } from '@/api/fleet';
import type { Urgency } from '@/shared/urgency';

export interface DepotGroup {
  depot: string;
  vehicles: VehicleGlance[];
}

/** The most urgent thing that a vehicle needs. */
export function need(vehicle: VehicleGlance): Urgency | undefined {
  return vehicle.alerts[0]?.urgency;
}

/** Whether a vehicle matches what was typed: ref, plate, depot or a sensor's code. */
export function matches(vehicle: VehicleGlance, search: string): boolean {
  const wanted = search.trim().toLowerCase();
  if (!wanted) return true;
  const texts = [vehicle.ref, vehicle.plate, vehicle.depot, ...vehicle.sensors];
  return texts.some((text) => text?.toLowerCase().includes(wanted));
}

/** Vehicles by depot, in the order of the list, where those that need most come first. */
export function byDepot(vehicles: VehicleGlance[]): DepotGroup[] {
  const groups = new Map<string, VehicleGlance[]>();
  for (const vehicle of vehicles) {
    const depot = vehicle.depot ?? 'No depot';
    const own = groups.get(depot);
    if (own) own.push(vehicle);
    else groups.set(depot, [vehicle]);
  }
  return [...groups].map(([depot, own]) => ({ depot, vehicles: own }));
}

export type Verdict = VehicleGlance['departure']['verdict'];

export const VERDICTS: Verdict[] = ['NOT_YET', 'LOOK_FIRST', 'MAY_LEAVE'];

const VERDICT_WORDS: Record<Verdict, string> = {
  NOT_YET: 'Must not leave',
  LOOK_FIRST: 'Check by hand first',
  MAY_LEAVE: 'May leave',
};

export function verdictWords(verdict: Verdict): string {
  return VERDICT_WORDS[verdict];
}

export interface Choice {
  text: string;
  depot: string;
  need: 'ALL' | 'SOME' | 'NONE' | 'UNWATCHED';
}

export const NO_CHOICE: Choice = { text: '', depot: '', need: 'ALL' };

/** Whether a vehicle is among those chosen. */
export function isChosen(vehicle: VehicleGlance, choice: Choice): boolean {
  const fits = {
    ALL: true,
    SOME: vehicle.alerts.length > 0,
    NONE: vehicle.alerts.length === 0,
    UNWATCHED: vehicle.departure.verdict === 'LOOK_FIRST',
  }[choice.need];
  return fits && (!choice.depot || vehicle.depot === choice.depot) && matches(vehicle, choice.text);
}

/** A line of the list: the heading of a group, or a vehicle. */
export type Line = { heading: string; count: number } | { vehicle: VehicleGlance };

/** The list by depot, or by who may leave. */
export function lines(vehicles: VehicleGlance[], isDeparture: boolean): Line[] {
  const groups = isDeparture
    ? VERDICTS.map((verdict) => ({
        depot: verdictWords(verdict),
        vehicles: byDepot(vehicles.filter((vehicle) => vehicle.departure.verdict === verdict)).flatMap(
          (group) => group.vehicles,
        ),
      })).filter((group) => group.vehicles.length)
    : byDepot(vehicles);
  return groups.flatMap((group) => [
    { heading: group.depot, count: group.vehicles.length },
    ...group.vehicles.map((vehicle) => ({ vehicle })),
  ]);
}

/** What hangs behind which vehicle now, by the ref of the one before it. */
export function hooks(vehicles: VehicleGlance[]): Map<string, VehicleGlance> {
  return new Map(vehicles.flatMap((one) => (one.behind ? [[one.behind, one]] : [])));
}

/** All that hangs behind a vehicle, from the front. */
export function pulledBy(vehicle: VehicleGlance, behind: Map<string, VehicleGlance>): VehicleGlance[] {
  // Whoever hangs behind another shows its own strip; the whole one stands where the front is.
  if (vehicle.behind) return [];
  const all: VehicleGlance[] = [];
  for (let next = behind.get(vehicle.ref); next; next = behind.get(next.ref)) all.push(next);
  return all;
}
