import { ref } from 'vue';
import { Problem } from '@/api/client';
import { unreadWords } from './unread';

/** The one way of doing what somebody asks for: it is shown while it is done, and so is what the server says against it. */
export function useAttempt() {
  const trouble = ref('');
  /** What is wrong with which field, where the server said so. */
  const faults = ref<Problem['faults']>([]);
  const isBusy = ref(false);

  /** @returns whether it was done */
  async function attempt(work: () => Promise<unknown>): Promise<boolean> {
    faults.value = [];
    trouble.value = unreadWords();
    if (trouble.value) return false;
    isBusy.value = true;
    try {
      await work();
      return true;
    } catch (e) {
      trouble.value = e instanceof Error ? e.message : String(e);
      faults.value = e instanceof Problem ? e.faults : [];
      return false;
    } finally {
      isBusy.value = false;
    }
  }

  return { trouble, faults, isBusy, attempt };
}
