import type { VehicleItem } from '@/api/fleet';
import { rank, type Urgency } from '@/shared/urgency';

export interface DepotGroup {
  depot: string;
  vehicles: VehicleItem[];
}

/** The most urgent thing that a vehicle needs. */
export function need(vehicle: VehicleItem): Urgency | undefined {
  return vehicle.alerts[0]?.urgency;
}

/** Whether a vehicle matches what was typed: ref, plate, depot or a sensor's code. */
export function matches(vehicle: VehicleItem, search: string): boolean {
  const wanted = search.trim().toLowerCase();
  if (!wanted) return true;
  const texts = [vehicle.ref, vehicle.plate, vehicle.depot, ...vehicle.wheels.map((wheel) => wheel.sensor)];
  return texts.some((text) => text?.toLowerCase().includes(wanted));
}

/** Vehicles by depot; within one and among them those that need most come first. */
export function byDepot(vehicles: VehicleItem[]): DepotGroup[] {
  const groups = new Map<string, VehicleItem[]>();
  const sorted = [...vehicles].sort((a, b) => rank(need(a)) - rank(need(b)) || a.ref.localeCompare(b.ref));
  for (const vehicle of sorted) {
    const depot = vehicle.depot ?? 'No depot';
    groups.set(depot, [...(groups.get(depot) ?? []), vehicle]);
  }
  return [...groups].map(([depot, own]) => ({ depot, vehicles: own }));
}
