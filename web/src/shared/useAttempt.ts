import { ref } from 'vue';

/** Does what a form asks for, one at a time, and keeps what the server says against it. */
export function useAttempt() {
  const trouble = ref('');
  const isBusy = ref(false);

  /** @returns whether it was done */
  async function attempt(work: () => Promise<unknown>): Promise<boolean> {
    isBusy.value = true;
    trouble.value = '';
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
