import type { Router } from 'vue-router';

const LOST_SCRIPT = /dynamically imported module|module script failed/i;
const AGAIN_MILLIS = 2_000;

const wait = (millis: number) => new Promise((resolve) => setTimeout(resolve, millis));

const isServerThere = (): Promise<boolean> =>
  fetch('/actuator/health', { cache: 'no-store' }).then(
    (answer) => answer.ok,
    () => false,
  );

/**
 * A page whose script could not be fetched, because the connection was lost or a newer version has come meanwhile, is asked
 * for anew once the server answers, unless its reader has gone elsewhere.
 */
export function openLostPages(
  router: Router,
  open = (path: string): void => window.location.assign(path),
): void {
  let wanted: string | undefined;

  async function openOnceThere(path: string): Promise<void> {
    do await wait(AGAIN_MILLIS);
    while (wanted === path && !(await isServerThere()));
    if (wanted === path) open(path);
  }

  router.onError((error: unknown, to) => {
    if (!(error instanceof Error) || !LOST_SCRIPT.test(error.message) || wanted === to.fullPath) return;
    wanted = to.fullPath;
    void openOnceThere(to.fullPath);
  });
  router.afterEach((_to, _from, failure) => {
    if (!failure) wanted = undefined;
  });
}
