import type { WheelDays } from '@/api/history';

/** A day of a wheel as it is drawn: from its lowest to its highest, and its mean. */
export interface DayMark {
  x: number;
  low: number;
  high: number;
  mean: number;
}

/** A wheel's days and limits on a field of {@link WIDTH} by {@link HEIGHT}. */
export interface DaysPlot {
  marks: DayMark[];
  target: number;
  low: number;
  critical: number;
  /** What the upper and the lower edge are, kPa. */
  top: number;
  bottom: number;
}

export const WIDTH = 300;
export const HEIGHT = 90;
const EDGE = 0.03;

/**
 * Lays a wheel's days out. All wheels of an axle and more share their scale where the same range is handed in.
 *
 * @param range the least and the greatest that is drawn, kPa
 */
export function daysPlot(wheel: WheelDays, from: number, to: number, range: [number, number]): DaysPlot {
  const [bottom, top] = range;
  const y = (kpa: number) =>
    HEIGHT - (Math.min(top, Math.max(bottom, kpa)) - bottom) * (HEIGHT / (top - bottom));
  return {
    marks: wheel.days.map((day) => ({
      x: ((Date.parse(day.at) + 43_200_000 - from) / (to - from)) * WIDTH,
      low: y(day.summary?.minPressureAt20Kpa ?? day.pressureAt20Kpa ?? 0),
      high: y(day.summary?.maxPressureAt20Kpa ?? day.pressureAt20Kpa ?? 0),
      mean: y(day.pressureAt20Kpa ?? 0),
    })),
    target: y(wheel.targetKpa),
    low: y(wheel.lowKpa),
    critical: y(wheel.lowCriticalKpa),
    top,
    bottom,
  };
}

/** What holds everything that wheels said and their limits, kPa. */
export function rangeOf(wheels: readonly WheelDays[]): [number, number] {
  const values = wheels.flatMap((wheel) => [
    wheel.targetKpa,
    wheel.lowCriticalKpa,
    ...wheel.days.flatMap((day) =>
      day.summary ? [day.summary.minPressureAt20Kpa, day.summary.maxPressureAt20Kpa] : [],
    ),
  ]);
  const least = Math.min(...values);
  const most = Math.max(...values);
  const edge = Math.max(10, (most - least) * EDGE);
  return [Math.max(0, least - edge), most + edge];
}

/** The lowest day mean, in words a table can hold; nothing where nothing was heard. */
export function lowestDay(wheel: WheelDays): { at: string; kpa: number } | undefined {
  let lowest: { at: string; kpa: number } | undefined;
  for (const day of wheel.days)
    if (typeof day.pressureAt20Kpa === 'number' && (!lowest || day.pressureAt20Kpa < lowest.kpa))
      lowest = { at: day.at, kpa: day.pressureAt20Kpa };
  return lowest;
}
