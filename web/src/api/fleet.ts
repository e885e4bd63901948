import { useQuery, useQueryClient, type QueryClient } from '@tanstack/vue-query';
import { computed, toValue, type MaybeRefOrGetter } from 'vue';
import { answer, http, type Schemas } from './client';
import type { AlertItem, WheelEvent } from './live';

export type VehicleItem = Schemas['VehicleItem'];
export type WheelState = Schemas['WheelState'];
export type AlertDetail = Schemas['AlertDetail'];
export type EvidenceChart = Schemas['EvidenceChart'];
export type VehicleList = Schemas['VehicleList'];

/** A wheel falls asleep without a word, so pictures are fetched afresh now and then. */
const REFRESH_MILLIS = 60_000;
const MOST_ALERTS = '1000';

export function useAlerts() {
  return useQuery({
    queryKey: ['alerts'],
    queryFn: async () =>
      (await answer(http.GET('/api/v1/alerts', { params: { query: { limit: MOST_ALERTS } } }))).items,
    refetchInterval: REFRESH_MILLIS,
  });
}

export function useAlert(id: MaybeRefOrGetter<string | undefined>) {
  return useQuery({
    queryKey: ['alert', computed(() => toValue(id))],
    queryFn: () => answer(http.GET('/api/v1/alerts/{id}', { params: { path: { id: toValue(id) ?? '' } } })),
    enabled: computed(() => toValue(id) !== undefined),
  });
}

export function useVehicles() {
  return useQuery({
    queryKey: ['vehicles'],
    queryFn: () => answer(http.GET('/api/v1/vehicles')),
    refetchInterval: REFRESH_MILLIS,
  });
}

/** One vehicle, out of the list that the stream keeps fresh. */
export function useVehicle(ref: MaybeRefOrGetter<string | null | undefined>) {
  const vehicles = useVehicles();
  return {
    ...vehicles,
    vehicle: computed(() => vehicles.data.value?.items.find((vehicle) => vehicle.ref === toValue(ref))),
  };
}

export interface ChartOf {
  vehicle: string;
  position: string;
  hours: number;
  to?: string | undefined;
}

export function useChart(of: MaybeRefOrGetter<ChartOf | undefined>) {
  return useQuery({
    queryKey: ['chart', computed(() => toValue(of))],
    queryFn: () => {
      const { vehicle, position, hours, to } = toValue(of) as ChartOf;
      return answer(
        http.GET('/api/v1/vehicles/{ref}/wheels/{position}/chart', {
          params: {
            path: { ref: vehicle, position },
            query: { hours: String(hours), ...(to ? { to } : {}) },
          },
        }),
      );
    },
    enabled: computed(() => toValue(of) !== undefined),
    refetchInterval: REFRESH_MILLIS,
  });
}

/** The list of open alerts after some of them changed. */
export function withAlerts(open: AlertItem[] | undefined, changed: AlertItem[]): AlertItem[] | undefined {
  if (!open) return undefined;
  const byId = new Map(open.map((alert) => [alert.id, alert]));
  for (const alert of changed) {
    if (alert.state === 'CLOSED') byId.delete(alert.id);
    else byId.set(alert.id, alert);
  }
  return [...byId.values()];
}

/** The vehicles after some of their wheels changed; vehicles that did not are the same objects as before. */
export function withWheels(list: VehicleList | undefined, changed: WheelEvent[]): VehicleList | undefined {
  if (!list) return undefined;
  const byVehicle = new Map<string, Map<string, WheelState>>();
  for (const event of changed) {
    const wheels = byVehicle.get(event.vehicle) ?? new Map<string, WheelState>();
    byVehicle.set(event.vehicle, wheels.set(event.position, event.state));
  }
  const items = list.items.map((vehicle) => {
    const wheels = byVehicle.get(vehicle.ref);
    if (!wheels) return vehicle;
    const times = [vehicle.lastHeardAt, ...[...wheels.values()].map((wheel) => wheel.at)];
    return {
      ...vehicle,
      wheels: vehicle.wheels.map((wheel) => wheels.get(wheel.position) ?? wheel),
      lastHeardAt:
        times
          .filter((time) => time !== null && time !== undefined)
          .sort()
          .at(-1) ?? null,
    };
  });
  return { ...list, items };
}

/** Asks again also where an answer is under way: it may be older than what was just heard, and would cover it up. */
export async function askAfresh(client: QueryClient, queryKey: string[] = []): Promise<void> {
  await client.cancelQueries({ queryKey });
  await client.invalidateQueries({ queryKey });
}

export function takeAlerts(client: QueryClient, alerts: AlertItem[]): void {
  if (client.isFetching({ queryKey: ['alerts'] })) {
    void askAfresh(client, ['alerts']);
  } else {
    client.setQueryData<AlertItem[]>(['alerts'], (open) => withAlerts(open, alerts));
  }
  for (const alert of alerts) {
    void client.invalidateQueries({ queryKey: ['alert', alert.id] });
  }
  // What is open decides how wheels and vehicles are marked.
  void client.invalidateQueries({ queryKey: ['vehicles'] });
}

export function takeWheels(client: QueryClient, wheels: WheelEvent[]): void {
  client.setQueryData<VehicleList>(['vehicles'], (list) => withWheels(list, wheels));
}

/** What people do to alerts; the answer takes the place of what was shown. */
export function useAlertActions() {
  const client = useQueryClient();

  function show(detail: AlertDetail): void {
    client.setQueryData(['alert', detail.item.id], detail);
    takeAlerts(client, [detail.item]);
  }

  return {
    async acknowledge(id: string): Promise<void> {
      show(await answer(http.POST('/api/v1/alerts/{id}/acknowledge', { params: { path: { id } } })));
    },
    async close(id: string, how: Schemas['CloseRequest']): Promise<void> {
      show(await answer(http.POST('/api/v1/alerts/{id}/close', { params: { path: { id } }, body: how })));
    },
  };
}
