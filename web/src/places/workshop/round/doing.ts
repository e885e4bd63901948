import type { RoundWheel } from '@/api/rounds';

/** What to do at a wheel, in words; {@code pressure} says an amount in the reader's unit. */
export function toDo(wheel: RoundWheel, pressure: (kpa: number) => string): string {
  const change = typeof wheel.changeKpa === 'number' ? pressure(Math.abs(wheel.changeKpa)) : '';
  switch (wheel.action) {
    case 'RIGHT':
      return 'right';
    case 'ADD':
      return `add ${change}`;
    case 'LET_OUT':
      return `let out ${change}`;
    case 'LET_COOL':
      return 'too high, and not known to be cold: let it cool first, never bleed it hot';
    case 'DO_NOT_INFLATE':
      return 'do not inflate: valve core out, off the vehicle, looked at inside';
    default:
      return wheel.at ? 'no fresh reading: take the hand gauge' : 'no sensor: take the hand gauge';
  }
}

/** Reasons that are often given, for one press. */
export function usualReasons(wheel: RoundWheel): string[] {
  switch (wheel.action) {
    case 'DO_NOT_INFLATE':
      return ['taken off the vehicle to be looked at'];
    case 'LET_COOL':
      return ['to be looked at cold'];
    case 'RIGHT':
      return [];
    case 'ADD':
    case 'LET_OUT':
      return ['by the hand gauge it is right'];
    default:
      return ['by the hand gauge it is right', 'not reachable today'];
  }
}
