// @vitest-environment node
import { describe, expect, it } from 'vitest';
import { deviationWords, NBSP, number, PRESSURE_UNITS, TEMPERATURE_UNITS, useUnits } from './units';

describe('units', () => {
  it.each([
    // NIST SP 811, appendix B.8.
    ['PSI', 6.894757],
    ['BAR', 100],
    ['KGF_CM2', 98.0665],
    ['KPA', 1],
  ] as const)('holds %s as published', (unit, kpa) => {
    expect(PRESSURE_UNITS[unit].factor).toBeCloseTo(kpa, 6);
  });

  it('converts temperatures by the exact relation', () => {
    const { factor, offset } = TEMPERATURE_UNITS.FAHRENHEIT;
    expect(70 / factor + offset).toBeCloseTo(158, 9);
    expect(-40 / factor + offset).toBeCloseTo(-40, 9);
  });

  it('speaks kPa and °C until somebody chooses', () => {
    const units = useUnits();
    expect(units.pressureWords(742.4)).toBe(`742${NBSP}kPa`);
    expect(units.temperatureWords(-3.6)).toBe(`−4${NBSP}°C`);
    expect(units.reference.value).toBe(`20${NBSP}°C`);
  });

  it('writes no minus before a zero', () => {
    expect(number(-0.3, 0)).toBe('0');
    expect(number(-0.6, 0)).toBe('−1');
  });

  it.each([
    [-0.1, `10${NBSP}% under`],
    [0.044, `4${NBSP}% over`],
    [0.004, 'at target'],
  ])('says a deviation of %f', (deviation, words) => {
    expect(deviationWords(deviation)).toBe(words);
  });
});
