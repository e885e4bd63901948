import type { Step, WhatWent } from './steps';

/** A move that is not stored yet, as it is kept on the device. */
export interface Draft {
  /** The vehicle whose wheels it began with, and the other one where there is one. */
  first: string;
  second: string;
  steps: Step[];
  when: string;
  note: string;
  km: Record<string, number | null>;
  went: WhatWent;
  /** When somebody last worked on it, clock time in milliseconds. */
  at: number;
}

/** Nobody goes on with yesterday's move [our judgement]. */
const KEPT_MILLIS = 12 * 60 * 60 * 1000;

export const noDraft = (): Draft => ({
  first: '',
  second: '',
  steps: [],
  when: '',
  note: '',
  km: {},
  went: 'WHOLE_WHEEL',
  at: 0,
});

/** Whether a draft is to be gone on with: of late, and of the vehicle that is asked for, if one is. */
export const isOf = (draft: Draft, asked: string, now: number): boolean =>
  draft.steps.length > 0 && now - draft.at < KEPT_MILLIS && (!asked || asked === draft.first);
