import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, toValue, type MaybeRefOrGetter } from 'vue';
import { answer, http, type Schemas } from './client';

export type OutageItem = Schemas['OutageItem'];
export type OutageRequest = Schemas['OutageRequest'];

/** What of a vehicle is out of service, and the ways out of service and back. */
export function useOutages(vehicle: MaybeRefOrGetter<string>) {
  const client = useQueryClient();
  const ref = computed(() => toValue(vehicle));
  const queryKey = computed(() => ['vehicle', ref.value, 'outages']);
  const { data } = useQuery({
    queryKey,
    queryFn: () =>
      answer(http.GET('/api/v1/vehicles/{ref}/outages', { params: { path: { ref: ref.value } } })),
  });

  async function done(list: Schemas['OutageList']): Promise<void> {
    client.setQueryData(queryKey.value, list);
    await Promise.all([
      client.invalidateQueries({ queryKey: ['vehicle', ref.value] }),
      client.invalidateQueries({ queryKey: ['vehicles'] }),
    ]);
  }

  return {
    outages: computed(() => data.value?.items ?? []),
    begin: async (what: OutageRequest) =>
      done(
        await answer(
          http.POST('/api/v1/vehicles/{ref}/outages', { params: { path: { ref: ref.value } }, body: what }),
        ),
      ),
    end: async (id: string) =>
      done(
        await answer(
          http.DELETE('/api/v1/vehicles/{ref}/outages/{id}', { params: { path: { ref: ref.value, id } } }),
        ),
      ),
  };
}
