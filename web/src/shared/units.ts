import { computed } from 'vue';
import { useSession, type Preferences } from '@/api/session';

export const NBSP = '\u00a0';
const MINUS = '\u2212';

interface Unit {
  symbol: string;
  /** kPa or °C in one of this unit. */
  factor: number;
  offset: number;
  decimals: number;
}

/** Factors as in the core's PressureUnit, which names their source. */
export const PRESSURE_UNITS: Record<Preferences['pressureUnit'], Unit> = {
  KPA: { symbol: 'kPa', factor: 1, offset: 0, decimals: 0 },
  BAR: { symbol: 'bar', factor: 100, offset: 0, decimals: 2 },
  PSI: { symbol: 'psi', factor: 6.894757293168361, offset: 0, decimals: 1 },
  KGF_CM2: { symbol: 'kgf/cm²', factor: 98.0665, offset: 0, decimals: 2 },
};

export const TEMPERATURE_UNITS: Record<Preferences['temperatureUnit'], Unit> = {
  CELSIUS: { symbol: '°C', factor: 1, offset: 0, decimals: 0 },
  FAHRENHEIT: { symbol: '°F', factor: 1 / 1.8, offset: 32, decimals: 0 },
};

export function number(value: number, decimals: number): string {
  const text = Math.abs(value).toFixed(decimals);
  return value < 0 && Number(text) !== 0 ? MINUS + text : text;
}

/** "7 % under", "4 % over", "at target". */
export function deviationWords(deviation: number): string {
  const percent = Math.round(Math.abs(deviation) * 100);
  if (percent === 0) return 'at target';
  return `${percent}${NBSP}% ${deviation < 0 ? 'under' : 'over'}`;
}

/** Says figures in the reader's units. */
export function useUnits() {
  const { preferences } = useSession();
  const pressure = computed(() => PRESSURE_UNITS[preferences.value.pressureUnit]);
  const temperature = computed(() => TEMPERATURE_UNITS[preferences.value.temperatureUnit]);
  const convert = (unit: Unit, value: number) => value / unit.factor + unit.offset;

  return {
    pressureSymbol: computed(() => pressure.value.symbol),
    temperatureSymbol: computed(() => temperature.value.symbol),
    /** 20 °C in the reader's unit. */
    reference: computed(
      () =>
        number(convert(temperature.value, 20), temperature.value.decimals) + NBSP + temperature.value.symbol,
    ),
    toPressure: (kpa: number) => convert(pressure.value, kpa),
    /** A pressure in the reader's unit, as kPa. */
    toTemperature: (celsius: number) => convert(temperature.value, celsius),
    pressureNumber: (kpa: number) => number(convert(pressure.value, kpa), pressure.value.decimals),
    temperatureNumber: (celsius: number) =>
      number(convert(temperature.value, celsius), temperature.value.decimals),
    pressureWords: (kpa: number) =>
      number(convert(pressure.value, kpa), pressure.value.decimals) + NBSP + pressure.value.symbol,
    temperatureWords: (celsius: number) =>
      number(convert(temperature.value, celsius), temperature.value.decimals) +
      NBSP +
      temperature.value.symbol,
  };
}
