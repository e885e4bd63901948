import { computed } from 'vue';
import { newKey } from '@/shared/newKey';
import { answer, http, isAnswer, type Schemas } from './client';
import { isMine, keptList, whoEnters } from './kept';

/** Something done at a wheel in a pressure round. */
export interface Errand {
  key: string;
  /** Who did it; only in their name is it sent. */
  who?: string;
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

export async function keepErrand(errand: Omit<Errand, 'key' | 'who'>): Promise<void> {
  const plain = JSON.parse(JSON.stringify(errand)) as Omit<Errand, 'key' | 'who'>;
  const who = whoEnters();
  await change((now) => [...now, { ...plain, key: newKey(), ...(who === undefined ? {} : { who }) }]);
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
  for (const errand of list.value.filter((one) => !one.trouble && isMine(one))) {
    try {
      await send(errand);
      await dropErrand(errand.key);
      isAnyStored = true;
    } catch (e) {
      if (!isAnswer(e)) return isAnyStored; // No signal: everything stays where it is.
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

/** What the person who is signed in did. */
export const useErrands = () => computed(() => list.value.filter(isMine));
