import { ref, watch } from 'vue';
import { useAlertActs, type Act, type ActMore } from '@/api/alertActs';
import type { AlertItem } from '@/api/live';
import { holdKeys } from '@/shared/keys';
import { useAttempt } from '@/shared/useAttempt';
import { fits, inOrder } from './queue';

/** Acts that ask something first. */
const ASKING = ['SHELVE', 'CLOSE', 'ASSIGN', 'REOPEN', 'CORRECT'] as const;
export type Asking = (typeof ASKING)[number];

const isAsking = (what: Act): what is Asking => (ASKING as readonly Act[]).includes(what);

/**
 * What is done from the Desk, to all that is meant and that it fits.
 *
 * @param meant the alerts that are chosen, or the one that is shown with what stands behind it
 */
export function useDeskActs(meant: () => AlertItem[], mayHandle: () => boolean) {
  const { act } = useAlertActs();
  const { trouble, isBusy, attempt } = useAttempt();
  const asking = ref<Asking>();
  const asked = ref<AlertItem[]>([]);

  /** Those among them whom an act fits. */
  function fitting(what: Act, among: AlertItem[]): AlertItem[] {
    const all = among.filter((alert) => fits(what, alert));
    return what === 'COUNT_WITH' ? inOrder(all).slice(1) : all;
  }

  /** One after the other: whoever presses two keys means the second for what the first has made of it. */
  let underWay = Promise.resolve();
  function begin(what: Act, among = meant): Promise<void> {
    underWay = underWay.catch(() => undefined).then(() => start(what, among()));
    // What is typed from now on is an answer, and none of the Desk's keys.
    if (isAsking(what)) holdKeys(underWay).catch(() => undefined);
    return underWay;
  }

  /** Does it, or asks first what it has to know. */
  async function start(what: Act, among: AlertItem[]): Promise<void> {
    const alerts = fitting(what, among);
    if (!mayHandle() || !alerts.length) return;
    if (isAsking(what)) {
      trouble.value = '';
      asked.value = alerts;
      asking.value = what;
    } else {
      const leading = what === 'COUNT_WITH' ? inOrder(among)[0]?.id : undefined;
      await attempt(() => act(what, alerts, leading ? { leading } : {}));
    }
  }

  /** Does what was asked about. */
  async function go(more: ActMore): Promise<void> {
    const what = asking.value;
    if (what && (await attempt(() => act(what, asked.value, more)))) asking.value = undefined;
  }

  const takeBack = (alerts: AlertItem[]) => attempt(() => act('TAKE_BACK', alerts));

  watch(
    () =>
      meant()
        .map((alert) => alert.id)
        .join(),
    () => {
      if (!asking.value) trouble.value = '';
    },
  );

  return { asking, asked, trouble, isBusy, begin, go, takeBack };
}
