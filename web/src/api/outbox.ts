import { computed, readonly, ref } from 'vue';
import { isAnswer, Problem } from './client';
import { isMine, keptList, whoEnters } from './kept';
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
  const plain = JSON.parse(JSON.stringify(entry)) as Waiting['entry'];
  const who = whoEnters();
  await change((list) => [...list, { job, ...(who === undefined ? {} : { who }), entry: plain }]);
}

/** Forgets an entry: somebody else's is kept, or it was refused. */
export async function drop(key: string): Promise<void> {
  await change((list) => list.filter((one) => one.entry.key !== key));
}

/** Sends an entry again, now that somebody says it is meant. */
export async function mean(key: string): Promise<void> {
  await change((list) =>
    list.map((one) =>
      one.entry.key === key ? withoutOutcome({ ...one, entry: { ...one.entry, isMeant: true } }) : one,
    ),
  );
}

function withoutOutcome(one: Waiting): Waiting {
  const { job, who, entry } = one;
  return { job, ...(who === undefined ? {} : { who }), entry };
}

/**
 * Sends what waits, one job after the other. What the server will not take stays until somebody decides, and holds up
 * nothing else.
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
  const due = waiting.value.filter((one) => !one.outcome && isMine(one));
  isSending.value = true;
  try {
    for (const job of new Set(due.map((one) => one.job))) {
      const entries = due.filter((one) => one.job === job).map((one) => one.entry);
      jobs.push(...(await sendAll(job, entries)));
    }
  } catch (e) {
    // No signal: everything stays where it is.
    if (!(e instanceof Problem)) throw e;
  } finally {
    isSending.value = false;
  }
  return jobs;
}

/** If together they are refused, each is sent by itself, so that one at fault is the only one that stays. */
async function sendAll(job: string, entries: Waiting['entry'][]): Promise<JobItem[]> {
  try {
    const taken = await sendEntries(job, entries);
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
  await change((list) =>
    list.flatMap((one) => {
      const outcome = byKey.get(one.entry.key);
      if (!outcome) return [one];
      return UNSETTLED.includes(outcome.outcome) ? [{ ...one, outcome }] : [];
    }),
  );
}

const mine = computed(() => waiting.value.filter(isMine));

/** What the person who is signed in entered and is not settled; `others` counts what waits for somebody else. */
export function useOutbox() {
  return {
    waiting: mine,
    others: computed(() => waiting.value.length - mine.value.length),
    isSending: readonly(isSending),
  };
}
