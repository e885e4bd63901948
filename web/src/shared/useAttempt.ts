import { ref } from 'vue';
import { unreadWords } from './unread';

/** Does what a form asks for, one at a time, and keeps what the server says against it. */
export function useAttempt() {
  const trouble = ref('');
  const isBusy = ref(false);

  /** @returns whether it was done */
  async function attempt(work: () => Promise<unknown>): Promise<boolean> {
    trouble.value = unreadWords();
    if (trouble.value) return false;
    isBusy.value = true;
    try {
      await work();
      return true;
    } catch (e) {
      trouble.value = e instanceof Error ? e.message : String(e);
      return false;
    } finally {
      isBusy.value = false;
    }
  }

  return { trouble, isBusy, attempt };
}
