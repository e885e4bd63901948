import type { Schemas } from '@/api/client';

export type Urgency = Schemas['AlertItem']['urgency'];
export type AlertKind = Schemas['AlertItem']['kind'];

/** The instructions, the most urgent first. */
export const URGENCIES: readonly Urgency[] = ['STOP_NOW', 'NEXT_STOP', 'BEFORE_NEXT_TRIP', 'PLAN'];

const WORDS: Record<Urgency, string> = {
  STOP_NOW: 'Stop now',
  NEXT_STOP: 'Next safe stop',
  BEFORE_NEXT_TRIP: 'Before next trip',
  PLAN: 'Plan it in',
};

const HUES: Record<Urgency, string> = {
  STOP_NOW: 'stop',
  NEXT_STOP: 'next',
  BEFORE_NEXT_TRIP: 'before',
  PLAN: 'plan',
};

const KINDS: Record<AlertKind, string> = {
  UNDER_PRESSURE: 'under target',
  SLOW_LEAK: 'slow leak',
  FAST_LEAK: 'going flat',
  OVER_PRESSURE: 'over target',
  HOT_TYRE: 'hot',
  HOT_WHEEL_END: 'hot wheel end',
  TWIN_MISMATCH: 'twins differ',
  SENSOR_SILENT: 'sensor silent',
  SENSOR_BATTERY: 'sensor battery',
  SENSOR_FAULT: 'sensor cannot measure',
  SENSORS_CROSSED: 'sensors crossed',
  WEATHER_LOW: 'cold weather',
  RECEIVER_SILENT: 'receiver silent',
};

/** The instruction; for a vehicle that stands, *Stop now* means that it stays. */
export function urgencyWords(urgency: Urgency, isParked = false): string {
  return urgency === 'STOP_NOW' && isParked ? 'Do not move' : WORDS[urgency];
}

/** The CSS variable of an urgency's hue. */
export function urgencyHue(urgency: Urgency): string {
  return `var(--${HUES[urgency]})`;
}

/** The text colour class of an urgency. */
export function urgencyText(urgency: Urgency): string {
  return {
    STOP_NOW: 'text-stop',
    NEXT_STOP: 'text-next',
    BEFORE_NEXT_TRIP: 'text-before',
    PLAN: 'text-plan',
  }[urgency];
}

export function kindWords(kind: AlertKind): string {
  return KINDS[kind];
}

export function rank(urgency: Urgency | null | undefined): number {
  return urgency ? URGENCIES.indexOf(urgency) : URGENCIES.length;
}
