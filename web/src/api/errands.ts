import { newKey } from '@/shared/newKey';
import { answer, http, isAnswer, type Schemas } from './client';
import { createOutbox } from './kept';

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

/** What was done in rounds and is not stored yet. */
const outbox = createOutbox<Errand, boolean>('vivid-caravan-rounds', 'errands', {
  keyOf: (errand) => errand.key,
  isDue: (errand) => !errand.trouble,
  send: sendDue,
});

export const { load: loadErrands, drop: dropErrand } = outbox;

export const keepErrand = (errand: Omit<Errand, 'key' | 'who'>): Promise<void> =>
  outbox.keep({ ...errand, key: newKey() });

/**
 * Sends what waits, in its order.
 *
 * @returns whether something was stored
 */
export const flushErrands = outbox.flush;

async function sendDue(due: Errand[]): Promise<boolean> {
  let isAnyStored = false;
  for (const errand of due) {
    try {
      await send(errand);
      await outbox.drop(errand.key);
      isAnyStored = true;
    } catch (e) {
      if (!isAnswer(e)) return isAnyStored; // No signal: everything stays where it is.
      await outbox.change((now) =>
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
export const useErrands = () => outbox.mine;
