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

const ROLES: Record<string, string> = {
  STEER: 'steer',
  DRIVE: 'drive',
  TAG: 'tag',
  LIFT: 'lift',
  TRAILER: 'trailer',
};

export const ROLE_CHOICES = Object.keys(ROLES);

export function roleWords(role: string): string {
  return ROLES[role] ?? role.toLowerCase();
}

const VEHICLE_KINDS: Record<string, string> = {
  TRACTOR_UNIT: 'tractor unit',
  RIGID_TRUCK: 'rigid truck',
  SEMI_TRAILER: 'semi-trailer',
  DRAWBAR_TRAILER: 'drawbar trailer',
  DOLLY: 'dolly',
  BUS: 'bus',
  FARM_TRACTOR: 'farm tractor',
  IMPLEMENT: 'farm implement',
};

export const KIND_CHOICES = Object.keys(VEHICLE_KINDS);

export function vehicleKindWords(kind: string): string {
  return VEHICLE_KINDS[kind] ?? kind.toLowerCase();
}

const ARRANGEMENTS: Record<string, string> = {
  SINGLE: 'single',
  WIDE_SINGLE: 'wide single',
  TWIN: 'twin',
};

export const ARRANGEMENT_CHOICES = Object.keys(ARRANGEMENTS);

export function arrangementWords(wheels: string): string {
  return ARRANGEMENTS[wheels] ?? wheels.toLowerCase();
}

const DUTIES: Record<string, string> = {
  GENERAL: 'general',
  LONG_HAUL: 'long haul',
  CITY_BUS: 'city bus',
  FARM_ROAD: 'farm, on the road',
  FARM_FIELD: 'farm, in the field',
  MOUNTAIN: 'mountain',
};

export const DUTY_CHOICES = Object.keys(DUTIES);

export function dutyWords(duty: string): string {
  return DUTIES[duty] ?? duty.toLowerCase();
}

const USES: Record<string, string> = {
  ROAD: 'on the road, laden',
  FIELD: 'in the field',
  UNLADEN: 'unladen',
  LIFT_UP: 'lift axles up',
};

export function useWords(use: string): string {
  return USES[use] ?? use.toLowerCase();
}

const STATES: Record<string, string> = {
  DESCRIBED: 'described, not fitted',
  BEING_FITTED: 'being fitted',
  IN_SERVICE: 'in service',
  OUT_OF_SERVICE: 'out of service',
};

export function stateWords(state: string): string {
  return STATES[state] ?? state.toLowerCase();
}
