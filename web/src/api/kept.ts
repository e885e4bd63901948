import { createStore, get, update } from 'idb-keyval';
import { ref } from 'vue';

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
