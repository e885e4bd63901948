import { createStore, get, update } from 'idb-keyval';
import { computed, readonly, ref } from 'vue';

/** In whose name something is kept on the device; nobody's before anyone is signed in. */
const person = ref<string>();

/** From now on what is kept is this person's. */
export function keepFor(userName: string | undefined): void {
  person.value = userName;
}

/**
 * Whether something on the device is of the person who is signed in. What others left there waits for them: sent in
 * somebody else's name, a record would be wrong. Of earlier versions, which kept no name, it is whoever comes.
 */
const isMine = (one: { who?: string }): boolean => one.who === undefined || one.who === person.value;

/**
 * What somebody did where there was no signal: kept on the device before anything is sent, sent in its order, and kept until
 * the server has stored it or somebody has decided otherwise.
 *
 * @param keyOf what tells one from another
 * @param isDue whether one only waits for a signal
 * @param send sends what is due of the person who is signed in, with `drop` and `change` for what becomes of it
 */
export function createOutbox<T extends { who?: string }, R>(
  database: string,
  name: string,
  {
    keyOf,
    isDue,
    send,
  }: { keyOf: (one: T) => string; isDue: (one: T) => boolean; send: (due: T[]) => Promise<R> },
) {
  const store = createStore(database, 'outbox');
  const list = ref<T[]>([]);
  const isSending = ref(false);
  let last: Promise<unknown> = Promise.resolve();

  /** Learns what was left from before. */
  async function load(): Promise<void> {
    list.value = (await get<T[]>(name, store)) ?? [];
  }

  async function change(how: (now: T[]) => T[]): Promise<void> {
    await update<T[]>(name, (now) => how(now ?? []), store);
    await load();
  }

  /** Keeps one, in the name of whoever is signed in. */
  async function keep(one: Omit<T, 'who'>): Promise<void> {
    const plain = JSON.parse(JSON.stringify(one)) as T;
    const who = person.value;
    await change((now) => [...now, who === undefined ? plain : { ...plain, who }]);
  }

  const drop = (key: string): Promise<void> => change((now) => now.filter((one) => keyOf(one) !== key));

  async function sendDue(): Promise<R> {
    isSending.value = true;
    try {
      return await send((list.value as T[]).filter((one) => isDue(one) && isMine(one)));
    } finally {
      isSending.value = false;
    }
  }

  /** Sends what waits, one flush after the other: what is on its way must not be sent a second time. */
  function flush(): Promise<R> {
    const now = last.then(sendDue);
    last = now.catch(() => undefined);
    return now;
  }

  const mine = computed(() => (list.value as T[]).filter(isMine));
  /** How many wait for somebody else. */
  const others = computed(() => list.value.length - mine.value.length);
  return { mine, others, isSending: readonly(isSending), load, change, keep, drop, flush };
}
