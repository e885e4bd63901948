import { PRESSURE_UNITS, TEMPERATURE_UNITS } from './units';

const PRESSURE_NAMES: Record<string, keyof typeof PRESSURE_UNITS> = {
  kpa: 'KPA',
  bar: 'BAR',
  psi: 'PSI',
  lb: 'PSI',
  lbs: 'PSI',
  'kgf/cm²': 'KGF_CM2',
  'kgf/cm2': 'KGF_CM2',
  'kg/cm²': 'KGF_CM2',
  'kg/cm2': 'KGF_CM2',
};

const TEMPERATURE_NAMES: Record<string, keyof typeof TEMPERATURE_UNITS> = {
  '°c': 'CELSIUS',
  c: 'CELSIUS',
  '°f': 'FAHRENHEIT',
  f: 'FAHRENHEIT',
};

/** A number with a comma or a point, and what stands behind it. */
function parts(text: string): { value: number; name: string } | undefined {
  const found = /^\s*([+-]?\d+(?:[.,]\d+)?)\s*(.*?)\s*$/.exec(
    text.replaceAll('\u00a0', ' ').replaceAll('\u202f', ' ').replaceAll('\u2212', '-'),
  );
  if (!found) return undefined;
  return { value: Number(found[1]?.replace(',', '.')), name: (found[2] ?? '').toLowerCase() };
}

/** A typed pressure such as "7.8 bar", "113 psi" or "780" as kPa; undefined if it is none. */
export function parsePressure(text: string, ownUnit: keyof typeof PRESSURE_UNITS): number | undefined {
  const typed = parts(text);
  const unit = typed && (typed.name ? PRESSURE_NAMES[typed.name] : ownUnit);
  return unit && typed ? typed.value * PRESSURE_UNITS[unit].factor : undefined;
}

/** The pressures that a tyre on the road or in the field may have, kPa. */
const LEAST_TYRE_KPA = 40;
const MOST_TYRE_KPA = 1_500;

/**
 * The unit that was meant, perhaps, where a figure without one makes no tyre pressure in the reader's own unit and a
 * sound one in another: 8.5 is no pressure in kPa, and one in bar.
 */
export function unitMeant(
  text: string,
  ownUnit: keyof typeof PRESSURE_UNITS,
): keyof typeof PRESSURE_UNITS | undefined {
  const typed = parts(text);
  if (!typed || typed.name || typed.value === 0) return undefined;
  const isTyre = (unit: keyof typeof PRESSURE_UNITS) => {
    const kpa = typed.value * PRESSURE_UNITS[unit].factor;
    return kpa >= LEAST_TYRE_KPA && kpa <= MOST_TYRE_KPA;
  };
  return isTyre(ownUnit) ? undefined : (['BAR', 'PSI', 'KPA'] as const).find(isTyre);
}

/** A typed number such as "12", "12,5" or, with its unit, "12 mm"; undefined if it is none. */
export function parseNumber(text: string, unit?: string): number | undefined {
  const typed = parts(text);
  return typed && (typed.name === '' || typed.name === unit?.toLowerCase()) ? typed.value : undefined;
}

/** A typed share such as "11", "11 %" or "11,5 %", per cent; undefined if it is none. */
export function parsePercent(text: string): number | undefined {
  const typed = parts(text);
  return typed && (typed.name === '' || typed.name === '%') ? typed.value : undefined;
}

/** A typed temperature such as "70", "158 °F" as °C; undefined if it is none. */
export function parseTemperature(text: string, ownUnit: keyof typeof TEMPERATURE_UNITS): number | undefined {
  const typed = parts(text);
  const unit = typed && (typed.name ? TEMPERATURE_NAMES[typed.name] : ownUnit);
  if (!unit || !typed) return undefined;
  const { factor, offset } = TEMPERATURE_UNITS[unit];
  return (typed.value - offset) * factor;
}

/** Whether a tyre may show it, or two pressures differ by it, kPa. */
export const isPressure = (kpa: number, isDifference = false) =>
  kpa <= MOST_TYRE_KPA && kpa >= (isDifference ? -MOST_TYRE_KPA : 0);

/** What is never as cold or as hot in a yard or a tyre, °C. */
const COLDEST_C = -60;
const HOTTEST_C = 150;

/** Whether air or a tyre may be as warm, °C. */
export const isTemperature = (celsius: number) => celsius >= COLDEST_C && celsius <= HOTTEST_C;

/** A pressure in the units that are not the reader's. */
export function otherPressures(kpa: number, ownUnit: keyof typeof PRESSURE_UNITS): string {
  return (['KPA', 'BAR', 'PSI'] as const)
    .filter((unit) => unit !== ownUnit)
    .map((unit) => {
      const { factor, decimals, symbol } = PRESSURE_UNITS[unit];
      return `${(kpa / factor).toFixed(decimals)}\u00a0${symbol}`;
    })
    .join(', ');
}
