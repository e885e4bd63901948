import type { RoundWheel } from '@/api/rounds';

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
