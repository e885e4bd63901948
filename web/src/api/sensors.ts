import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, toValue, type MaybeRefOrGetter } from 'vue';
import { answer, http, type Schemas } from './client';

export type SensorItem = Schemas['SensorItem'];
export type SensorState = SensorItem['state'];
type Mount = NonNullable<SensorItem['mount']>;

/** Sensors that pass, by code. */
export function useSensors(look: MaybeRefOrGetter<string>, state: MaybeRefOrGetter<SensorState | ''>) {
  return useQuery({
    queryKey: computed(() => ['sensors', toValue(look), toValue(state)]),
    queryFn: () => {
      const chosen = toValue(state);
      return answer(
        http.GET('/api/v1/sensors', {
          params: { query: { limit: '50', look: toValue(look), ...(chosen ? { state: chosen } : {}) } },
        }),
      );
    },
    placeholderData: keepPreviousData,
    refetchInterval: 60_000,
  });
}

/** A sensor and every wheel that it was at. */
export function useSensor(code: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: computed(() => ['sensors', 'one', toValue(code)]),
    queryFn: () => answer(http.GET('/api/v1/sensors/{code}', { params: { path: { code: toValue(code) } } })),
    enabled: computed(() => Boolean(toValue(code))),
  });
}

/** Sensors heard within a day that are not ours. */
export function useStrangers() {
  return useQuery({
    queryKey: ['strangers'],
    queryFn: () => answer(http.GET('/api/v1/strangers')),
    refetchInterval: 30_000,
  });
}

export function useSensorActions() {
  const client = useQueryClient();
  const changed = () =>
    Promise.all(
      [['sensors'], ['strangers'], ['vehicle']].map((queryKey) => client.invalidateQueries({ queryKey })),
    );
  return {
    async takeIn(codes: string[], mount: Mount | null) {
      const outcome = await answer(http.POST('/api/v1/sensors', { body: { codes, mount } }));
      await changed();
      return outcome;
    },
    async retire(code: string, reason: string | null): Promise<void> {
      await answer(
        http.PUT('/api/v1/sensors/{code}/retirement', {
          params: { path: { code } },
          body: { isRetired: reason !== null, reason },
        }),
      );
      await changed();
    },
  };
}
