import type { QueryClient } from '@tanstack/vue-query';
import type { Router } from 'vue-router';
import { forgetWhatWasFetched, hasLeft, loadSession } from './api/session';

/**
 * Asks to sign in again where the server no longer knows who is here, and comes back to where one was. A request that was
 * refused may be of a session that is over for long, and many are refused at once: so the server is asked first, and who is
 * at the sign-in already is left there.
 *
 * @returns what to call when a request was refused
 */
export function followLostSession(
  router: Router,
  queries: QueryClient,
  ask = loadSession,
): () => Promise<void> {
  let asking: Promise<void> | undefined;

  async function look(): Promise<void> {
    const now = await ask().catch(() => undefined);
    const { fullPath, meta } = router.currentRoute.value;
    if (!now || now.account || hasLeft || meta.isOpen) return;
    queries.clear();
    await forgetWhatWasFetched();
    await router.push({ name: 'sign-in', query: { then: fullPath } });
  }

  return () => (asking ??= look().finally(() => (asking = undefined)));
}
