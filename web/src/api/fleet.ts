import { useQuery, useQueryClient, type QueryClient } from '@tanstack/vue-query';
import { computed, nextTick, ref, toValue, watch, type MaybeRefOrGetter } from 'vue';
import { answer, http, type Schemas } from './client';
import type { AlertItem, WheelEvent } from './live';
import { unfolded, type VehicleGlance, type VehicleList, type WheelGlance } from './vehicleLines';

export type { VehicleGlance, VehicleList, WheelGlance };

export type VehicleItem = Schemas['VehicleItem'];
export type WheelState = Schemas['WheelState'];
export type AlertDetail = Schemas['AlertDetail'];
export type EvidenceChart = Schemas['EvidenceChart'];

/** A wheel falls asleep without a word, so pictures are fetched afresh now and then. */
const REFRESH_MILLIS = 60_000;
const MOST_ALERTS = '1000';
/** Beyond that nobody reads on; the most urgent are there. */
const MOST_OPEN = 10_000;
const SOON_MILLIS = 1_500;
const FRAME_MILLIS = 30;

/** Everything that is open, the worst first, page after page. */
async function allOpen(): Promise<AlertItem[]> {
  const all: AlertItem[] = [];
  let cursor: string | null | undefined;
  do {
    const page = await answer(
      http.GET('/api/v1/alerts', {
        params: { query: { limit: MOST_ALERTS, order: 'urgency', ...(cursor ? { cursor } : {}) } },
      }),
    );
    all.push(...page.items);
    cursor = page.nextCursor;
  } while (cursor && all.length < MOST_OPEN);
  return all;
}

export function useAlerts() {
  return useQuery({
    queryKey: ['alerts'],
    queryFn: allOpen,
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

/**
 * Every vehicle, in the order of the list.
 *
 * @param isWanted whether it is asked for; the list may be long
 */
export function useVehicles(isWanted: MaybeRefOrGetter<boolean> = true) {
  return useQuery({
    queryKey: ['vehicles'],
    queryFn: async () => unfolded(await answer(http.GET('/api/v1/vehicle-lines'))),
    refetchInterval: REFRESH_MILLIS,
    enabled: computed(() => toValue(isWanted)),
    // Twenty thousand wheels: neither made reactive one by one nor compared field by field.
    shallow: true,
    structuralSharing: false,
  });
}

/**
 * All vehicles, and until they are there what their list begins with.
 *
 * @param most how many it begins with; a fleet that has no more comes in one request
 */
export function useVehiclesFromTheFirst(most: number) {
  const isDrawn = ref(false);
  const { data: whole, error } = useVehicles(isDrawn);
  const { data: first, isFetched } = useFirstVehicles(most, () => !whole.value);
  // The rest waits until the first can be seen: both at once would take twice as long.
  watch(
    () => isFetched.value || Boolean(whole.value),
    async (isThere) => {
      await nextTick();
      // Not with the next frame: a page behind another one draws none.
      if (isThere) setTimeout(() => (isDrawn.value = true), FRAME_MILLIS);
    },
    { immediate: true },
  );
  return {
    data: computed(() => whole.value ?? first.value),
    isWhole: computed(() => Boolean(whole.value)),
    error,
  };
}

function useFirstVehicles(most: number, isWanted: () => boolean) {
  const client = useQueryClient();
  return useQuery({
    queryKey: ['first vehicles'],
    queryFn: async () => {
      const list = unfolded(
        await answer(http.GET('/api/v1/vehicle-lines', { params: { query: { limit: String(most) } } })),
      );
      if (list.items.length === list.total) client.setQueryData(['vehicles'], list);
      return list;
    },
    enabled: computed(isWanted),
    retry: false,
    // Only to begin with: whoever comes back begins with what is then.
    staleTime: Infinity,
    gcTime: 0,
    refetchOnWindowFocus: false,
    shallow: true,
    structuralSharing: false,
  });
}

/** The refs of all vehicles, for a choice among them. */
export function useVehicleRefs() {
  const { data } = useVehicles();
  return computed(() => data.value?.items.map((vehicle) => vehicle.ref).sort() ?? []);
}

/** One vehicle with all that its page shows; the stream keeps it fresh. */
export function useVehicle(vehicle: MaybeRefOrGetter<string | null | undefined>) {
  const query = useQuery({
    queryKey: ['vehicle', computed(() => toValue(vehicle))],
    queryFn: () =>
      answer(http.GET('/api/v1/vehicles/{ref}', { params: { path: { ref: toValue(vehicle) ?? '' } } })),
    enabled: computed(() => Boolean(toValue(vehicle))),
    refetchInterval: REFRESH_MILLIS,
    shallow: true,
  });
  return { ...query, vehicle: query.data };
}

/** The alerts of one vehicle, the closed ones too. */
export function useAlertsOf(vehicle: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: ['alerts of', computed(() => toValue(vehicle))],
    queryFn: async () =>
      (
        await answer(
          http.GET('/api/v1/alerts', {
            params: { query: { vehicle: toValue(vehicle), state: 'all', limit: '50' } },
          }),
        )
      ).items,
  });
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
    const states = vehicle.wheels.map((wheel) => wheels.get(wheel.position) ?? wheel);
    return {
      ...vehicle,
      wheels: states,
      sensors: states.map((wheel) => wheel.sensor ?? null),
      lastHeardAt: newest(vehicle, wheels),
    };
  });
  return { ...list, items };
}

interface Heard {
  lastHeardAt?: string | null;
}

/** The newest time of a vehicle and of some of its wheels. */
function newest(vehicle: Heard, states: Map<string, WheelState>): string | null {
  const times = [vehicle.lastHeardAt, ...[...states.values()].map((wheel) => wheel.at)];
  return (
    times
      .filter((time) => time !== null && time !== undefined)
      .sort()
      .at(-1) ?? null
  );
}

function withStates(vehicle: VehicleItem, states: Map<string, WheelState>): VehicleItem {
  const wheels = vehicle.wheels.map((wheel) => states.get(wheel.position) ?? wheel);
  return { ...vehicle, wheels, lastHeardAt: newest(vehicle, states) };
}

/** Asks again also where an answer is under way: it may be older than what was just heard, and would cover it up. */
async function askAfresh(client: QueryClient, queryKey: string[]): Promise<void> {
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
  void client.invalidateQueries({ queryKey: ['driver page'] });
  for (const vehicle of new Set(alerts.map((alert) => alert.vehicle))) {
    void client.invalidateQueries({ queryKey: ['vehicle', vehicle] });
    void client.invalidateQueries({ queryKey: ['alerts of', vehicle] });
  }
  askForVehiclesSoon(client);
}

let asking: ReturnType<typeof setTimeout> | undefined;

/**
 * The stream is open: what was missed before is asked for. A page that was just opened asked for everything a moment ago;
 * that is let come, and asked for again soon, since it may be as old as the moment before the stream.
 */
export function askForWhatWasMissed(client: QueryClient): void {
  const underWay = client.getQueryCache().findAll({ fetchStatus: 'fetching' });
  void client.invalidateQueries({ predicate: (query) => !underWay.includes(query) });
  if (!underWay.length) return;
  setTimeout(() => {
    void client.invalidateQueries({ predicate: (query) => underWay.includes(query) });
  }, SOON_MILLIS);
}

/** What is open decides how wheels and vehicles are marked; the list is long, so many alerts ask for it once. */
function askForVehiclesSoon(client: QueryClient): void {
  asking ??= setTimeout(() => {
    asking = undefined;
    // A long list that is just coming is let come.
    if (client.isFetching({ queryKey: ['vehicles'] })) askForVehiclesSoon(client);
    else void client.invalidateQueries({ queryKey: ['vehicles'] });
  }, SOON_MILLIS);
}

export function takeWheels(client: QueryClient, wheels: WheelEvent[]): void {
  client.setQueryData<VehicleList>(['vehicles'], (list) => withWheels(list, wheels));
  const byVehicle = new Map<string, Map<string, WheelState>>();
  for (const event of wheels) {
    const states = byVehicle.get(event.vehicle) ?? new Map<string, WheelState>();
    byVehicle.set(event.vehicle, states.set(event.position, event.state));
  }
  for (const [ref, states] of byVehicle) {
    client.setQueryData<VehicleItem>(['vehicle', ref], (vehicle) => vehicle && withStates(vehicle, states));
  }
}

/** Records that the pressure of a wheel was set. */
export function useAdjustment() {
  const client = useQueryClient();
  return async (vehicle: string, position: string, how: Schemas['AdjustmentRequest']): Promise<void> => {
    await answer(
      http.POST('/api/v1/vehicles/{ref}/wheels/{position}/adjustments', {
        params: { path: { ref: vehicle, position } },
        body: how,
      }),
    );
    await client.invalidateQueries({ queryKey: ['chart'] });
  };
}

/** Puts on record that two wheels have each other's sensors; what they said since is judged again. */
export function useSensorExchange() {
  const client = useQueryClient();
  return async (vehicle: string, how: Schemas['ExchangeRequest']): Promise<void> => {
    await answer(
      http.POST('/api/v1/vehicles/{ref}/sensor-exchanges', { params: { path: { ref: vehicle } }, body: how }),
    );
    await Promise.all(
      ['chart', 'alert', 'vehicles', 'vehicle'].map((key) => client.invalidateQueries({ queryKey: [key] })),
    );
  };
}

/** What people say of an alert; the answer takes the place of what was shown. */
export function useAlertWords() {
  const client = useQueryClient();

  function show(detail: AlertDetail): void {
    client.setQueryData(['alert', detail.item.id], detail);
    takeAlerts(client, [detail.item]);
  }

  return {
    async note(id: string, note: string): Promise<void> {
      show(
        await answer(http.POST('/api/v1/alerts/{id}/notes', { params: { path: { id } }, body: { note } })),
      );
    },
  };
}
