import type { VehicleItem } from '@/api/fleet';
import type { LimitPolicy } from '@/api/limits';
import { place } from './position';
import { LIMITS } from './vocabulary';

export type HeatName = 'temperatureC' | 'temperatureCriticalC';
/** A limit that is a share of the target. */
export type LimitName = Exclude<keyof LimitPolicy, 'basis' | 'referenceC' | HeatName>;

const shares = (unit: 'BELOW_TARGET' | 'OVER_TARGET', sign: 1 | -1) =>
  LIMITS.filter((limit) => limit.unit === unit).map(({ name, words }) => ({
    name: name as LimitName,
    words,
    sign,
  }));

/** All that are shares of the target, the lowest first; the sign says on which side of the target one is. */
export const SHARES = [...shares('BELOW_TARGET', -1).reverse(), ...shares('OVER_TARGET', 1)];

/** 1 for a limit over the target, −1 for one below it. */
export const sideOf = (name: LimitName) => SHARES.find((share) => share.name === name)?.sign ?? -1;

/** A limit as a pressure, kPa. */
export function kpaOf(name: LimitName, policy: LimitPolicy, target: number): number {
  return target * (1 + (sideOf(name) * policy[name]) / 100);
}

/** A pressure as a share of the target, per cent off it in the direction of the limit. */
export function pctOf(name: LimitName, kpa: number, target: number): number {
  return sideOf(name) * (kpa / target - 1) * 100;
}

/** What a wheel is held to. */
export function limitsAt(vehicle: VehicleItem, position: string) {
  const { axle } = place(position);
  return axle ? vehicle.axles[axle - 1]?.limits : (vehicle.spareLimits ?? undefined);
}
