import type { Schemas } from '@/api/client';

export type WheelChange = Schemas['WheelChange'];

/** A word for a tick in the chart. */
export const CHANGE_LABELS: Record<WheelChange['kind'], string> = {
  ADJUSTED: 'set',
  SENSOR_FITTED: 'sensor in',
  SENSOR_REMOVED: 'sensor out',
  LIMITS_CHANGED: 'limits',
  FILLED: 'filled',
  LET_OUT: 'fell',
};

/** What was done to a wheel, as a sentence. */
export function changeWords(change: WheelChange, units: { pressureWords: (kpa: number) => string }): string {
  const said = (kpa: number | null | undefined) => (typeof kpa === 'number' ? units.pressureWords(kpa) : '');
  switch (change.kind) {
    case 'ADJUSTED': {
      const [from, to] = [said(change.fromKpa), said(change.toKpa)];
      const figures = from && to ? ` from ${from} to ${to}` : to ? ` to ${to}` : from ? ` from ${from}` : '';
      return `pressure set${figures} by ${change.who}${change.note ? `: ${change.note}` : ''}`;
    }
    case 'SENSOR_FITTED':
      return `sensor ${change.sensor} put in`;
    case 'SENSOR_REMOVED':
      return `sensor ${change.sensor} taken out`;
    case 'FILLED':
      return `filled from ${said(change.fromKpa)} to ${said(change.toKpa)}; nobody wrote it down`;
    case 'LET_OUT':
      return `level fell at once from ${said(change.fromKpa)} to ${said(change.toKpa)}; nobody wrote down why`;
    case 'LIMITS_CHANGED':
      return change.fromKpa === change.toKpa
        ? 'limits changed'
        : `target changed from ${said(change.fromKpa)} to ${said(change.toKpa)}`;
  }
}
