import type { VehicleGlance } from '@/api/fleet';
import type { AlertItem } from '@/api/live';
import { placeWords } from '@/shared/position';
import { kindWords } from '@/shared/urgency';

/** Somewhere to go, or something to do. */
export interface Target {
  key: string;
  kind: 'command' | 'alert' | 'vehicle' | 'wheel';
  title: string;
  detail: string;
  /** What is searched, lower case. */
  text: string;
  /** A path to go to, or the name of a command. */
  to: string;
}

const MOST = 50;

export function vehicleTargets(vehicles: VehicleGlance[]): Target[] {
  return vehicles.flatMap((vehicle) => [
    {
      key: `v ${vehicle.ref}`,
      kind: 'vehicle' as const,
      title: vehicle.ref,
      detail: [vehicle.plate, vehicle.depot].filter(Boolean).join(', '),
      text: [vehicle.ref, vehicle.plate, vehicle.depot].join(' ').toLowerCase(),
      to: `/vehicles/${encodeURIComponent(vehicle.ref)}`,
    },
    ...vehicle.wheels.map((wheel) => ({
      key: `w ${vehicle.ref} ${wheel.position}`,
      kind: 'wheel' as const,
      title: `${vehicle.ref} ${wheel.position}`,
      detail: [placeWords(wheel.position), wheel.sensor].filter(Boolean).join(', '),
      text: `${vehicle.ref} ${wheel.position} ${wheel.sensor ?? ''}`.toLowerCase(),
      to: `/vehicles/${encodeURIComponent(vehicle.ref)}?wheel=${wheel.position}`,
    })),
  ]);
}

export function alertTargets(alerts: AlertItem[]): Target[] {
  return alerts.map((alert) => ({
    key: `a ${alert.id}`,
    kind: 'alert' as const,
    title: `${alert.vehicle ?? ''} ${alert.position ?? ''} ${kindWords(alert.kind)}`,
    detail: alert.summary,
    text: `${alert.vehicle ?? ''} ${alert.position ?? ''} ${kindWords(alert.kind)}`.toLowerCase(),
    to: `/desk/${alert.id}`,
  }));
}

/** The targets in which every word that was typed begins a word; first what was typed exactly, vehicles before wheels. */
export function find(targets: Target[], typed: string): Target[] {
  const words = typed.trim().toLowerCase().split(/\s+/).filter(Boolean);
  if (!words.length) return targets.filter((target) => target.kind === 'command').slice(0, MOST);
  const name = words.join(' ');
  const exact: Target[] = [];
  const others: Target[] = [];
  for (const target of targets) {
    const own = ` ${target.text}`;
    if (target.title.toLowerCase() === name) exact.push(target);
    else if (
      others.length < MOST &&
      words.every((word) => own.includes(` ${word}`) || own.includes(`-${word}`))
    ) {
      others.push(target);
    }
  }
  return [...exact, ...others].slice(0, MOST);
}
