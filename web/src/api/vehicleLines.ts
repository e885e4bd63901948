import type { Schemas } from './client';

type WireLines = Schemas['VehicleLines'];
type WireLine = Schemas['VehicleLine'];

/** A wheel as the strip draws it. */
export type WheelGlance = Schemas['WheelGlance'];

/** A vehicle in a line of the list. */
export interface VehicleGlance {
  ref: string;
  kind: WireLine['kind'];
  plate?: string | null;
  depot?: string | null;
  state: WireLine['state'];
  /** Ref of the vehicle that it hangs behind. */
  behind?: string | null;
  axles: Schemas['AxleGlance'][];
  /** Codes of its sensors, one a wheel. */
  sensors: (string | null)[];
  readonly wheels: WheelGlance[];
  lastHeardAt?: string | null;
  /** What is open, the most urgent first. */
  alerts: WireLine['alerts'];
  departure: WireLine['departure'];
}

export interface VehicleList {
  at: string;
  /** How many there are, also where only the first are given. */
  total: number;
  totalWheels: number;
  items: VehicleGlance[];
}

/** The list as the pages use it. Of a hundred thousand wheels few are looked at, so each vehicle's are made when asked for. */
export function unfolded(lines: WireLines): VehicleList {
  const at = Date.parse(lines.at);
  return {
    at: lines.at,
    total: lines.total,
    totalWheels: lines.wheels,
    items: lines.items.map((line) => glance(line, lines.layouts, at)),
  };
}

function glance(line: WireLine, layouts: WireLines['layouts'], at: number): VehicleGlance {
  const layout = layouts[line.layout] ?? { axles: [], positions: [] };
  let wheels: WheelGlance[] | undefined;
  return {
    ref: line.ref,
    kind: line.kind,
    plate: line.plate ?? null,
    depot: line.depot ?? null,
    state: line.state,
    behind: line.behind ?? null,
    axles: layout.axles,
    sensors: line.sensors,
    get wheels() {
      return (wheels ??= layout.positions.map((position, i) => wheel(line, position, i, at)));
    },
    lastHeardAt: lastHeard(line, layout.positions, at),
    alerts: line.alerts,
    departure: line.departure,
  };
}

function wheel(line: WireLine, position: string, i: number, at: number): WheelGlance {
  const deviation = line.deviations[i];
  return {
    position,
    condition: line.conditions[position] ?? 'OK',
    sensor: line.sensors[i] ?? null,
    at: time(line.heard[i], at),
    temperatureC: line.temperatures[i] ?? null,
    deviation: typeof deviation === 'number' ? deviation / 1000 : null,
    urgency: line.urgencies[position] ?? null,
  };
}

function time(secondsBefore: number | null | undefined, at: number): string | null {
  return typeof secondsBefore === 'number' ? new Date(at - secondsBefore * 1000).toISOString() : null;
}

/** The newest reading of any wheel that is not a spare. */
function lastHeard(line: WireLine, positions: string[], at: number): string | null {
  let newest: number | null = null;
  line.heard.forEach((seconds, i) => {
    if (typeof seconds !== 'number' || positions[i]?.startsWith('S')) return;
    newest = newest === null ? seconds : Math.min(newest, seconds);
  });
  return time(newest, at);
}
