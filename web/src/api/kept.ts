import { createStore, get, update } from 'idb-keyval';
import { ref } from 'vue';

/** In whose name something is kept on the device; nobody's before anyone is signed in. */
const person = ref<string>();

/** From now on what is kept is this person's. */
export function keepFor(userName: string | undefined): void {
  person.value = userName;
}

export const whoEnters = (): string | undefined => person.value;

/**
 * Whether something on the device is of the person who is signed in. What others left there waits for them: sent in
 * somebody else's name, a record would be wrong. Of earlier versions, which kept no name, it is whoever comes.
 */
export const isMine = (one: { who?: string }): boolean => one.who === undefined || one.who === person.value;

/** A list that is kept on the device, so that nothing of it is lost where there is no signal. */
export function keptList<T>(database: string, key: string) {
  const store = createStore(database, 'outbox');
  const list = ref<T[]>([]);

  async function load(): Promise<void> {
    list.value = (await get<T[]>(key, store)) ?? [];
  }

  async function change(how: (now: T[]) => T[]): Promise<void> {
    await update<T[]>(key, (now) => how(now ?? []), store);
    await load();
  }

  return { list, load, change };
}
