import { useQueryClient } from '@tanstack/vue-query';
import { shallowRef } from 'vue';
import { answer, http, type Schemas } from './client';
import { takeAlerts, type AlertDetail } from './fleet';
import type { AlertItem } from './live';

export type Act = NonNullable<Schemas['ActRequest']['act']>;
export type ActMore = Omit<Schemas['ActRequest'], 'act' | 'alerts'>;

/** What somebody did last, for as long as that is offered to be taken back at once. */
export const lastAct = shallowRef<{ act: Act; alerts: AlertItem[] }>();

/** After that the record still offers it. */
const OFFERED_MILLIS = 60_000;
let offered: ReturnType<typeof setTimeout> | undefined;

function offer(done: { act: Act; alerts: AlertItem[] } | undefined): void {
  clearTimeout(offered);
  lastAct.value = done;
  if (done) offered = setTimeout(() => (lastAct.value = undefined), OFFERED_MILLIS);
}

/** What one person did is not offered to the next. */
export const forgetLastAct = () => offer(undefined);

/** How an alert is called in few words. */
export const placeOf = (alert: AlertItem) => [alert.vehicle, alert.position].filter(Boolean).join(' ');

function refusalWords(alerts: AlertItem[], answered: Schemas['ActAnswer']): string {
  const byWords = new Map<string, string[]>();
  for (const { id, message } of answered.refused) {
    const alert = alerts.find((one) => one.id === id);
    byWords.set(message, [...(byWords.get(message) ?? []), alert ? placeOf(alert) : id]);
  }
  const words = [...byWords].map(([message, places]) =>
    alerts.length === 1 ? message : `${places.join(', ')}: ${message}`,
  );
  return [...(answered.done.length ? [`Done for ${answered.done.length}.`] : []), ...words].join(' ');
}

/** What people do to one alert or to many; each is held against what they saw of it. */
export function useAlertActs() {
  const client = useQueryClient();

  /** Does it; where it is refused to some, says for which and why, and the others stand. */
  async function act(what: Act, alerts: AlertItem[], more: ActMore = {}): Promise<void> {
    const answered = await answer(
      http.POST('/api/v1/alert-acts', {
        body: { ...more, act: what, alerts: alerts.map(({ id, version }) => ({ id, version })) },
      }),
    );
    for (const item of answered.done) {
      client.setQueryData<AlertDetail>(['alert', item.id], (detail) => detail && { ...detail, item });
    }
    takeAlerts(client, answered.done);
    if (what === 'TAKE_BACK' || what === 'END_JOB' || what === 'CORRECT') offer(undefined);
    else if (answered.done.length) offer({ act: what, alerts: answered.done });
    if (!answered.refused.length) return;
    for (const { id } of answered.refused) void client.invalidateQueries({ queryKey: ['alert', id] });
    void client.invalidateQueries({ queryKey: ['alerts'] });
    throw new Error(refusalWords(alerts, answered));
  }

  return { act };
}
