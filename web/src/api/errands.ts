import { readonly } from 'vue';
import { answer, http, Problem, type Schemas } from './client';
import { keptList } from './kept';

/** Something done at a wheel in a pressure round. */
export interface Errand {
  key: string;
  round: string;
  vehicle: string;
  position: string;
  /** Why the wheel stays as it is, or how its pressure was set. */
  reason?: string;
  set?: Schemas['AdjustmentRequest'];
  /** What the server said against it; undefined while it only waits for a signal. */
  trouble?: string;
}

/** What was done in rounds and is not stored yet; kept on the device until it is. */
const { list, load, change } = keptList<Errand>('vivid-caravan-rounds', 'errands');
let last: Promise<unknown> = Promise.resolve();

export const loadErrands = load;

export async function keepErrand(errand: Omit<Errand, 'key'>): Promise<void> {
  const plain = JSON.parse(JSON.stringify(errand)) as Omit<Errand, 'key'>;
  await change((now) => [...now, { ...plain, key: crypto.randomUUID() }]);
}

export async function dropErrand(key: string): Promise<void> {
  await change((now) => now.filter((one) => one.key !== key));
}

/**
 * Sends what waits, in its order.
 *
 * @returns whether something was stored
 */
export function flushErrands(): Promise<boolean> {
  // One after the other: what is on its way must not be sent a second time.
  const mine = last.then(sendDue);
  last = mine.catch(() => undefined);
  return mine;
}

async function sendDue(): Promise<boolean> {
  let isAnyStored = false;
  for (const errand of list.value.filter((one) => !one.trouble)) {
    try {
      await send(errand);
      await dropErrand(errand.key);
      isAnyStored = true;
    } catch (e) {
      const isRefused = e instanceof Problem && e.status >= 400 && e.status < 500 && e.status !== 401;
      if (!isRefused) return isAnyStored; // No signal: everything stays where it is.
      await change((now) =>
        now.map((one) => (one.key === errand.key ? { ...one, trouble: e.message } : one)),
      );
    }
  }
  return isAnyStored;
}

function send({ round, vehicle, position, reason, set }: Errand): Promise<unknown> {
  return reason !== undefined
    ? answer(
        http.POST('/api/v1/pressure-rounds/{id}/reasons', {
          params: { path: { id: round } },
          body: { vehicle, position, reason },
        }),
      )
    : answer(
        http.POST('/api/v1/vehicles/{ref}/wheels/{position}/adjustments', {
          params: { path: { ref: vehicle, position } },
          body: set ?? {},
        }),
      );
}

export const useErrands = () => readonly(list);
