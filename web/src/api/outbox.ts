import { readonly, ref } from 'vue';
import { Problem } from './client';
import { keptList } from './kept';
import { sendEntries, type EntryOutcome, type EntryRequest, type JobItem } from './jobs';

/** An entry that is not settled: on its way, or one about which somebody has to decide. */
export interface Waiting {
  job: string;
  entry: EntryRequest & { key: string };
  /** What the server said against it; undefined while it only waits for a signal. */
  outcome?: EntryOutcome;
}

const UNSETTLED = ['CONFLICT', 'TO_CONFIRM', 'REFUSED'];

/**
 * What was entered beside a vehicle. It is kept on the device before anything is sent, so that nothing is lost where there
 * is no signal; it is sent in its order, and stays until the server has stored it or somebody has decided otherwise.
 */
const { list: waiting, load, change } = keptList<Waiting>('vivid-caravan-workshop', 'entries');
const isSending = ref(false);
let last: Promise<unknown> = Promise.resolve();

/** Learns what was left from before. */
export const loadOutbox = load;

/** Keeps an entry and sends it as soon as that is possible. */
export async function keep(job: string, entry: EntryRequest & { key: string }): Promise<void> {
  await change((list) => [...list, { job, entry: JSON.parse(JSON.stringify(entry)) as Waiting['entry'] }]);
}

/** Forgets an entry: somebody else's is kept, or it was refused. */
export async function drop(key: string): Promise<void> {
  await change((list) => list.filter((one) => one.entry.key !== key));
}

/** Sends an entry again, now that somebody says it is meant. */
export async function mean(key: string): Promise<void> {
  await change((list) =>
    list.map((one) =>
      one.entry.key === key ? { job: one.job, entry: { ...one.entry, isMeant: true } } : one,
    ),
  );
}

/**
 * Sends what waits, one job after the other.
 *
 * @returns the jobs as they are now; none for a job that could not be reached
 */
export function flush(): Promise<JobItem[]> {
  // One after the other: what is on its way must not be sent a second time.
  const mine = last.then(sendDue);
  last = mine.catch(() => undefined);
  return mine;
}

async function sendDue(): Promise<JobItem[]> {
  const jobs: JobItem[] = [];
  const due = waiting.value.filter((one) => !one.outcome);
  isSending.value = true;
  try {
    for (const job of new Set(due.map((one) => one.job))) {
      const entries = due.filter((one) => one.job === job).map((one) => one.entry);
      const taken = await sendEntries(job, entries);
      jobs.push(taken.job);
      await settle(taken.outcomes);
    }
  } catch (e) {
    // No signal: everything stays where it is. Anything else is said where it was entered.
    if (!(e instanceof Problem) || (e.status !== 0 && e.status < 500 && e.status !== 401)) throw e;
  } finally {
    isSending.value = false;
  }
  return jobs;
}

async function settle(outcomes: EntryOutcome[]): Promise<void> {
  const byKey = new Map(outcomes.map((outcome) => [outcome.key, outcome]));
  await change((list) =>
    list.flatMap((one) => {
      const outcome = byKey.get(one.entry.key);
      if (!outcome) return [one];
      return UNSETTLED.includes(outcome.outcome) ? [{ ...one, outcome }] : [];
    }),
  );
}

export function useOutbox() {
  return { waiting: readonly(waiting), isSending: readonly(isSending) };
}
