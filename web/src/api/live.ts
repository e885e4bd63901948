import { shallowRef } from 'vue';
import type { Schemas } from './client';

export type AlertItem = Schemas['AlertItem'];
export type WheelEvent = Schemas['WheelEvent'];

/** Whether what is shown is live, and if not, since when it is old. */
export type Connection = { state: 'connecting' } | { state: 'live' } | { state: 'lost'; since: Date };

export interface LiveHandlers {
  onAlerts: (alerts: AlertItem[]) => void;
  onWheels: (wheels: WheelEvent[]) => void;
  /** The stream is open, for the first time or again: what happened before has to be asked for. */
  onOpen: () => void;
  /** The server is there and refuses the stream: the session may be over. */
  onRefused: () => void;
}

const GATHER_MILLIS = 250;
const RETRY_MILLIS = 3_000;

export const connection = shallowRef<Connection>({ state: 'connecting' });

/**
 * Listens to the stream. Alerts resume by their event number; the browser sends it when it reconnects. Events are
 * gathered for a moment, so that a busy fleet redraws the page a few times a second and not a thousand.
 *
 * @returns a function that stops listening
 */
export function listen(handlers: LiveHandlers): () => void {
  let source: EventSource | undefined;
  let retry: ReturnType<typeof setTimeout> | undefined;
  let gathering: ReturnType<typeof setTimeout> | undefined;
  let alerts = new Map<string, AlertItem>();
  let wheels = new Map<string, WheelEvent>();

  function handOver(): void {
    gathering = undefined;
    const [someAlerts, someWheels] = [[...alerts.values()], [...wheels.values()]];
    alerts = new Map();
    wheels = new Map();
    if (someAlerts.length) handlers.onAlerts(someAlerts);
    if (someWheels.length) handlers.onWheels(someWheels);
  }

  function gather(): void {
    gathering ??= setTimeout(handOver, GATHER_MILLIS);
  }

  function open(): void {
    source = new EventSource('/api/v1/live');
    source.addEventListener('open', () => {
      connection.value = { state: 'live' };
      handlers.onOpen();
    });
    source.addEventListener('error', () => {
      if (connection.value.state !== 'lost') {
        connection.value = { state: 'lost', since: new Date() };
      }
      // The browser retries a broken stream by itself, but gives up when it was refused.
      if (source?.readyState === EventSource.CLOSED) {
        handlers.onRefused();
        retry = setTimeout(open, RETRY_MILLIS);
      }
    });
    source.addEventListener('alert', (event) => {
      const alert = JSON.parse((event as MessageEvent<string>).data) as AlertItem;
      alerts.set(alert.id, alert);
      gather();
    });
    source.addEventListener('wheel', (event) => {
      const wheel = JSON.parse((event as MessageEvent<string>).data) as WheelEvent;
      wheels.set(`${wheel.vehicle} ${wheel.position}`, wheel);
      gather();
    });
  }

  open();
  return () => {
    source?.close();
    clearTimeout(retry);
    clearTimeout(gathering);
    connection.value = { state: 'connecting' };
  };
}
