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
const QUIET_MILLIS = 30_000;
const ANSWER_MILLIS = 10_000;

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
  let quiet: ReturnType<typeof setTimeout> | undefined;
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

  function lose(): void {
    if (connection.value.state !== 'lost') {
      connection.value = { state: 'lost', since: new Date() };
    }
  }

  /** A line that died without a word looks like a quiet fleet, so whoever hears nothing for a while asks. */
  function hear(): void {
    clearTimeout(quiet);
    quiet = setTimeout(() => {
      fetch('/api/v1/session', { signal: AbortSignal.timeout(ANSWER_MILLIS) }).then(hear, () => {
        lose();
        open();
      });
    }, QUIET_MILLIS);
  }

  function close(): void {
    source?.close();
    clearTimeout(retry);
    clearTimeout(quiet);
  }

  function goOffline(): void {
    close();
    lose();
  }

  function open(): void {
    close();
    hear();
    source = new EventSource('/api/v1/live');
    source.addEventListener('open', () => {
      connection.value = { state: 'live' };
      handlers.onOpen();
    });
    source.addEventListener('error', () => {
      lose();
      // The browser retries a broken stream by itself, but gives up when it was refused.
      if (source?.readyState === EventSource.CLOSED) {
        handlers.onRefused();
        retry = setTimeout(open, RETRY_MILLIS);
      }
    });
    source.addEventListener('alert', (event) => {
      const alert = JSON.parse((event as MessageEvent<string>).data) as AlertItem;
      alerts.set(alert.id, alert);
      hear();
      gather();
    });
    source.addEventListener('wheel', (event) => {
      const wheel = JSON.parse((event as MessageEvent<string>).data) as WheelEvent;
      wheels.set(`${wheel.vehicle} ${wheel.position}`, wheel);
      hear();
      gather();
    });
  }

  window.addEventListener('offline', goOffline);
  window.addEventListener('online', open);
  open();
  return () => {
    window.removeEventListener('offline', goOffline);
    window.removeEventListener('online', open);
    close();
    clearTimeout(gathering);
    connection.value = { state: 'connecting' };
  };
}
