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
  const found = /^\s*([+-]?\d+(?:[.,]\d+)?)\s*(.*?)\s*$/.exec(text.replaceAll('\u00a0', ' '));
  if (!found) return undefined;
  return { value: Number(found[1]?.replace(',', '.')), name: (found[2] ?? '').toLowerCase() };
}

/** A typed pressure such as "7.8 bar", "113 psi" or "780" as kPa; undefined if it is none. */
export function parsePressure(text: string, ownUnit: keyof typeof PRESSURE_UNITS): number | undefined {
  const typed = parts(text);
  const unit = typed && (typed.name ? PRESSURE_NAMES[typed.name] : ownUnit);
  return unit && typed ? typed.value * PRESSURE_UNITS[unit].factor : undefined;
}

/** A typed temperature such as "70", "158 °F" as °C; undefined if it is none. */
export function parseTemperature(text: string, ownUnit: keyof typeof TEMPERATURE_UNITS): number | undefined {
  const typed = parts(text);
  const unit = typed && (typed.name ? TEMPERATURE_NAMES[typed.name] : ownUnit);
  if (!unit || !typed) return undefined;
  const { factor, offset } = TEMPERATURE_UNITS[unit];
  return (typed.value - offset) * factor;
}

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
