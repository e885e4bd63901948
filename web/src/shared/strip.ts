import type { VehicleGlance, WheelGlance } from '@/api/fleet';
import { place, placeWords } from './position';
import { deviationWords, NBSP } from './units';
import { urgencyWords } from './urgency';
import { wordsOf } from './vocabulary';

/** A wheel as the strip draws it; with its pressure where there is room for a figure. */
export type StripWheelState = WheelGlance & { pressureAt20Kpa?: number | null };

export interface StripVehicle {
  ref: string;
  axles: VehicleGlance['axles'];
  wheels: StripWheelState[];
}

/** How large the strip is drawn. */
export type StripSize = 'row' | 'page';

interface Measures {
  wheelWidth: number;
  wheelHeight: number;
  gap: number;
  axleStep: number;
  /** From the spine to the nearest wheel. */
  spine: number;
  /** Kept free at the outer side for teeth and the mark of what is chosen. */
  margin: number;
  tooth: number;
}

export const MEASURES: Record<StripSize, Measures> = {
  row: { wheelWidth: 29, wheelHeight: 9, gap: 2, axleStep: 37, spine: 3.5, margin: 5, tooth: 4 },
  page: { wheelWidth: 58, wheelHeight: 27, gap: 3, axleStep: 84, spine: 15, margin: 16, tooth: 8 },
};

/** Under a strip of the page's size the axles are named. */
export const LABELS = 20;

export interface DrawnWheel {
  state: StripWheelState;
  x: number;
  y: number;
  /** Which way is away from the spine. */
  outward: -1 | 1;
  teeth: number;
  isSpare: boolean;
}

export interface DrawnAxle {
  x: number;
  role: string;
  isLiftable: boolean;
}

export interface DrawnStrip {
  width: number;
  height: number;
  spineY: number;
  spineFrom: number;
  spineTo: number;
  axles: DrawnAxle[];
  wheels: DrawnWheel[];
}

const DEGREES_PER_TOOTH = 8;
const MOST_TEETH = 6;

function median(values: number[]): number | undefined {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)];
}

/** One tooth for every eight degrees above the median of the vehicle's wheels. */
export function teeth(wheel: StripWheelState, wheels: StripWheelState[]): number {
  const others = wheels.flatMap((w) =>
    w !== wheel && typeof w.temperatureC === 'number' ? [w.temperatureC] : [],
  );
  const middle = median(others);
  if (middle === undefined || typeof wheel.temperatureC !== 'number') return 0;
  return Math.max(0, Math.min(MOST_TEETH, Math.floor((wheel.temperatureC - middle) / DEGREES_PER_TOOTH)));
}

/**
 * Where everything stands: front at the left, left wheels above the spine, outer twins farther from it.
 *
 * @param isHookedBehind whether something hangs behind it: spares then leave the spine free that goes on to the hook
 */
export function layOut(
  vehicle: Pick<StripVehicle, 'axles' | 'wheels'>,
  size: StripSize,
  isHookedBehind = false,
): DrawnStrip {
  const m = MEASURES[size];
  const isTwin = vehicle.axles.some((axle) => axle.wheels === 'TWIN');
  const half = m.spine + (isTwin ? 2 : 1) * (m.wheelHeight + m.gap) + m.margin;
  const left = m.margin / 2 + m.wheelWidth / 2;
  const axleX = (axle: number) => left + (axle - 1) * m.axleStep;
  const spares = vehicle.wheels.filter((wheel) => place(wheel.position).spare > 0);
  const wheels = vehicle.wheels.map((state): DrawnWheel => {
    const { axle, side, slot, spare } = place(state.position);
    if (spare) {
      const x = axleX(vehicle.axles.length) + m.axleStep * 1.05;
      const beside =
        half + (spare - 1 - (spares.length - 1) / 2) * (m.wheelHeight + m.gap) - m.wheelHeight / 2;
      const below = half + m.spine + (spare - 1) * (m.wheelHeight + m.gap);
      const y = isHookedBehind ? below : beside;
      return { state, x: x - m.wheelWidth / 2, y, outward: 1, teeth: 0, isSpare: true };
    }
    const outward = side === 'L' ? -1 : 1;
    const near = m.spine + (slot === 'O' ? m.wheelHeight + m.gap : 0);
    const y = outward < 0 ? half - near - m.wheelHeight : half + near;
    return {
      state,
      x: axleX(axle) - m.wheelWidth / 2,
      y,
      outward,
      teeth: teeth(state, vehicle.wheels),
      isSpare: false,
    };
  });
  const last = axleX(vehicle.axles.length);
  return {
    width: last + m.wheelWidth / 2 + m.margin / 2 + (spares.length ? m.axleStep * 1.05 : 0),
    height: half * 2,
    spineY: half,
    spineFrom: left,
    spineTo: vehicle.axles.length === 1 ? left + m.axleStep * 0.4 : last,
    axles: vehicle.axles.map((axle, i) => ({ x: axleX(i + 1), role: axle.role, isLiftable: axle.liftable })),
    wheels,
  };
}

/** A wheel's condition in a few words; nothing for one that is well. */
export function conditionWords(condition: StripWheelState['condition']): string {
  return condition === 'OK' ? '' : wordsOf('wheelConditions', condition);
}

/**
 * "Axle 2 left outer: 743, 7 % under, 38 °C, next safe stop".
 *
 * @param shown what is written into the wheel: whoever says what he sees must be understood
 */
export function wheelText(
  wheel: StripWheelState,
  temperature: (celsius: number) => string,
  shown = '',
): string {
  const parts = shown ? [shown] : [];
  if (typeof wheel.deviation === 'number') parts.push(deviationWords(wheel.deviation));
  if (typeof wheel.temperatureC === 'number') parts.push(temperature(wheel.temperatureC));
  if (conditionWords(wheel.condition)) parts.push(conditionWords(wheel.condition));
  if (wheel.urgency) parts.push(urgencyWords(wheel.urgency).toLowerCase());
  const name = placeWords(wheel.position);
  return `${name[0]?.toUpperCase()}${name.slice(1)}: ${parts.join(', ') || 'nothing heard yet'}`;
}

function needsWords(wheel: StripWheelState): boolean {
  return Boolean(wheel.urgency) || !['OK', 'ASLEEP'].includes(wheel.condition);
}

/** What a screen reader says of a whole strip: the exceptions, and how many are well. */
export function stripText(wheels: StripWheelState[], temperature: (celsius: number) => string): string {
  const exceptions = wheels.filter(needsWords);
  const asleep = wheels.filter((wheel) => wheel.condition === 'ASLEEP' && !needsWords(wheel)).length;
  const well = wheels.length - exceptions.length - asleep;
  const rest = [
    ...(well ? [`${well}${NBSP}${well === 1 ? 'wheel' : 'wheels'} in band`] : []),
    ...(asleep ? [`${asleep}${NBSP}asleep`] : []),
  ];
  return [...exceptions.map((wheel) => wheelText(wheel, temperature)), ...rest].join('. ');
}
