import { ref, shallowReactive } from 'vue';
import { Problem } from '@/api/client';
import { tell } from './tell';
import { unreadWords } from './unread';

/** What somebody asked for and is not done yet. */
export interface UnderWay {
  what: string;
  since: number;
  /** Says how far it is, where that can be known. */
  howFar?: (() => Promise<string>) | undefined;
}

/** Everything that is under way, whichever page it was asked for on. */
export const underWay = shallowReactive(new Set<UnderWay>());

/** The one way of doing what somebody asks for: it is shown while it is done, and so is what the server says against it. */
export function useAttempt() {
  const trouble = ref('');
  /** What is wrong with which field, where the server said so. */
  const faults = ref<Problem['faults']>([]);
  const isBusy = ref(false);

  /**
   * @param what what is being done, in words, for whoever waits longer than a moment
   * @param more.done what whoever does not see the page is told once it is done
   * @param more.howFar says how far it is, where that can be known
   * @returns whether it was done
   */
  async function attempt(
    work: () => Promise<unknown>,
    what = 'Waiting for the server',
    { done = 'Done.', howFar }: { done?: string; howFar?: UnderWay['howFar'] } = {},
  ): Promise<boolean> {
    faults.value = [];
    trouble.value = unreadWords();
    if (trouble.value) return false;
    isBusy.value = true;
    const own = { what, since: Date.now(), howFar };
    underWay.add(own);
    try {
      await work();
      tell(done);
      return true;
    } catch (e) {
      trouble.value = e instanceof Error ? e.message : String(e);
      faults.value = e instanceof Problem ? e.faults : [];
      return false;
    } finally {
      underWay.delete(own);
      isBusy.value = false;
    }
  }

  return { trouble, faults, isBusy, attempt };
}
