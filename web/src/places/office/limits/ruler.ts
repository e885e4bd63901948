import type { LimitPolicy } from '@/api/limits';
import type { HeatName, LimitName } from '@/shared/limits';

export type HandleName = LimitName | 'target';

export interface Handle<N extends string> {
  name: N;
  words: string;
  value: number;
}

const GAP_PCT = 0.5;
const LEAST_PCT = 0.5;
const MOST_LOW_PCT = 95;
const MOST_HIGH_PCT = 100;
const GAP_C = 1;
const COOLEST_C = 30;
const HOTTEST_C = 150;

const within = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value));
/** Half a per cent is as fine as a hand sets it on a ruler. */
const halves = (value: number) => Math.round(value * 2) / 2;

/** The policy with one limit moved; the other low limit is pushed rather than crossed. */
export function moved(policy: LimitPolicy, name: LimitName, pct: number): LimitPolicy {
  if (name === 'highPct') return { ...policy, highPct: within(halves(pct), LEAST_PCT, MOST_HIGH_PCT) };
  if (name === 'lowPct') {
    const lowPct = within(halves(pct), LEAST_PCT, MOST_LOW_PCT - GAP_PCT);
    return { ...policy, lowPct, lowCriticalPct: Math.max(policy.lowCriticalPct, lowPct + GAP_PCT) };
  }
  const lowCriticalPct = within(halves(pct), LEAST_PCT + GAP_PCT, MOST_LOW_PCT);
  return { ...policy, lowCriticalPct, lowPct: Math.min(policy.lowPct, lowCriticalPct - GAP_PCT) };
}

/** The policy with one temperature moved; the other is pushed rather than crossed. */
export function heated(policy: LimitPolicy, name: HeatName, celsius: number): LimitPolicy {
  const whole = Math.round(celsius);
  if (name === 'temperatureC') {
    const temperatureC = within(whole, COOLEST_C, HOTTEST_C - GAP_C);
    return {
      ...policy,
      temperatureC,
      temperatureCriticalC: Math.max(policy.temperatureCriticalC, temperatureC + GAP_C),
    };
  }
  const temperatureCriticalC = within(whole, COOLEST_C + GAP_C, HOTTEST_C);
  return {
    ...policy,
    temperatureCriticalC,
    temperatureC: Math.min(policy.temperatureC, temperatureCriticalC - GAP_C),
  };
}

/** Round steps for a scale from {@code from} to {@code to} with about so many marks. */
export function ticks(from: number, to: number, wanted: number): number[] {
  const rough = (to - from) / wanted;
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = [1, 2, 5, 10].map((n) => n * power).find((n) => n >= rough) ?? rough;
  const first = Math.ceil(from / step);
  return Array.from({ length: Math.floor(to / step) - first + 1 }, (_, i) =>
    Number(((first + i) * step).toFixed(6)),
  );
}

/** Whose limits are changed; what is empty does not narrow the choice. */
export interface Scope {
  kind: string;
  role: string;
  depot: string;
  tyreSize: string;
  vehicleRef: string;
  axleNumber: number | '';
}

export const axlesWords = (count: number) => `${count} ${count === 1 ? 'axle' : 'axles'}`;
