import { isAnswer, Problem } from './client';
import { createOutbox } from './kept';
import { sendEntries, type EntryOutcome, type EntryRequest, type JobItem } from './jobs';

/** An entry that is not settled: on its way, or one about which somebody has to decide. */
export interface Waiting {
  job: string;
  /** Who entered it; only in their name is it sent. */
  who?: string;
  entry: EntryRequest & { key: string };
  /** What the server said against it; undefined while it only waits for a signal. */
  outcome?: EntryOutcome;
}

const UNSETTLED = ['CONFLICT', 'TO_CONFIRM', 'REFUSED'];

/** What was entered beside a vehicle. */
const outbox = createOutbox<Waiting, JobItem[]>('vivid-caravan-workshop', 'entries', {
  keyOf: (one) => one.entry.key,
  isDue: (one) => !one.outcome,
  send: sendDue,
});

export const { load: loadOutbox } = outbox;

/** Keeps an entry and sends it as soon as that is possible. */
export const keep = (job: string, entry: EntryRequest & { key: string }): Promise<void> =>
  outbox.keep({ job, entry });

/** Forgets an entry: somebody else's is kept, or it was refused. */
export const { drop } = outbox;

/** Sends an entry again, now that somebody says it is meant. */
export async function mean(key: string): Promise<void> {
  await outbox.change((list) =>
    list.map((one) =>
      one.entry.key === key ? withoutOutcome({ ...one, entry: { ...one.entry, isMeant: true } }) : one,
    ),
  );
}

function withoutOutcome(one: Waiting): Waiting {
  const { job, who, entry } = one;
  return { job, ...(who === undefined ? {} : { who }), entry };
}

let show: (job: JobItem) => Promise<void> | void = () => undefined;

/** Who shows jobs gets each as it is now before its entries cease to wait: in between it would look as if they were undone. */
export function whenTaken(shower: typeof show): void {
  show = shower;
}

/**
 * Sends what waits, one job after the other. What the server will not take stays until somebody decides, and holds up
 * nothing else.
 *
 * @returns the jobs as they are now; none for a job that could not be reached
 */
export const { flush } = outbox;

async function sendDue(due: Waiting[]): Promise<JobItem[]> {
  const jobs: JobItem[] = [];
  try {
    for (const job of new Set(due.map((one) => one.job))) {
      const entries = due.filter((one) => one.job === job).map((one) => one.entry);
      jobs.push(...(await sendAll(job, entries)));
    }
  } catch (e) {
    // No signal: everything stays where it is.
    if (!(e instanceof Problem)) throw e;
  }
  return jobs;
}

/** If together they are refused, each is sent by itself, so that one at fault is the only one that stays. */
async function sendAll(job: string, entries: Waiting['entry'][]): Promise<JobItem[]> {
  try {
    const taken = await sendEntries(job, entries);
    await show(taken.job);
    await settle(taken.outcomes);
    return [taken.job];
  } catch (e) {
    if (!isAnswer(e)) throw e;
    const [first, ...others] = entries;
    if (first && !others.length) {
      await settle([{ key: first.key, outcome: 'REFUSED', message: e.message, doubts: [], theirs: null }]);
      return [];
    }
    const jobs: JobItem[] = [];
    for (const entry of entries) jobs.push(...(await sendAll(job, [entry])));
    return jobs.slice(-1);
  }
}

async function settle(outcomes: EntryOutcome[]): Promise<void> {
  const byKey = new Map(outcomes.map((outcome) => [outcome.key, outcome]));
  await outbox.change((list) =>
    list.flatMap((one) => {
      const outcome = byKey.get(one.entry.key);
      if (!outcome) return [one];
      return UNSETTLED.includes(outcome.outcome) ? [{ ...one, outcome }] : [];
    }),
  );
}

/** What the person who is signed in entered and is not settled; `others` counts what waits for somebody else. */
export const useOutbox = () => ({
  waiting: outbox.mine,
  others: outbox.others,
  isSending: outbox.isSending,
});
