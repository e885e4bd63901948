import { namesIn, wordsOf } from './vocabulary';

/** A position code taken apart: "2LO" is axle 2, left, outer. */
export interface Place {
  axle: number;
  side: 'L' | 'R';
  slot: 'O' | 'I' | '';
  /** Number of a spare, otherwise 0. */
  spare: number;
}

export function place(code: string): Place {
  const wheel = /^(\d+)([LR])([OI]?)$/.exec(code);
  if (wheel) {
    return {
      axle: Number(wheel[1]),
      side: wheel[2] as 'L' | 'R',
      slot: (wheel[3] ?? '') as 'O' | 'I' | '',
      spare: 0,
    };
  }
  return { axle: 0, side: 'L', slot: '', spare: Number(code.slice(1)) };
}

/** "axle 2 left outer", "spare 1". */
export function placeWords(code: string): string {
  const { axle, side, slot, spare } = place(code);
  if (spare) return `spare ${spare}`;
  const end = { O: ' outer', I: ' inner', '': '' }[slot];
  return `axle ${axle} ${side === 'L' ? 'left' : 'right'}${end}`;
}

export const ROLE_CHOICES = namesIn('axleRoles');
export const roleWords = (role: string) => wordsOf('axleRoles', role);

export const KIND_CHOICES = namesIn('vehicleKinds');
export const vehicleKindWords = (kind: string) => wordsOf('vehicleKinds', kind);

export const ARRANGEMENT_CHOICES = namesIn('wheelArrangements');
export const arrangementWords = (wheels: string) => wordsOf('wheelArrangements', wheels);

export const DUTY_CHOICES = namesIn('duties');
export const dutyWords = (duty: string) => wordsOf('duties', duty);

export const useWords = (use: string) => wordsOf('uses', use);
export const stateWords = (state: string) => wordsOf('vehicleStates', state);

export const MOUNT_CHOICES = namesIn('mounts');
export const mountWords = (mount: string) => wordsOf('mounts', mount);
