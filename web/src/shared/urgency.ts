import type { Schemas } from '@/api/client';
import { wordsOf } from './vocabulary';

export type Urgency = Schemas['AlertItem']['urgency'];
export type AlertKind = Schemas['AlertItem']['kind'];

/** The instructions, the most urgent first. */
export const URGENCIES: readonly Urgency[] = ['STOP_NOW', 'NEXT_STOP', 'BEFORE_NEXT_TRIP', 'PLAN'];

const HUES: Record<Urgency, string> = {
  STOP_NOW: 'stop',
  NEXT_STOP: 'next',
  BEFORE_NEXT_TRIP: 'before',
  PLAN: 'plan',
};

/** The instruction; for a vehicle that stands, *Stop now* means that it stays. */
export function urgencyWords(urgency: Urgency, isParked = false): string {
  return urgency === 'STOP_NOW' && isParked ? 'Do not move' : wordsOf('urgencies', urgency);
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
  return wordsOf('alertKinds', kind);
}

export function rank(urgency: Urgency | null | undefined): number {
  return urgency ? URGENCIES.indexOf(urgency) : URGENCIES.length;
}

export function alertStateWords(state: Schemas['AlertItem']['state']): string {
  return wordsOf('alertStates', state);
}
