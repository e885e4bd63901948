import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, toValue, type MaybeRefOrGetter } from 'vue';
import { answer, http, type Schemas } from './client';
import { useSession } from './session';

export type DriverPage = Schemas['DriverPage'];
export type DriverTask = Schemas['Task'];
export type WalkOf = Schemas['WalkOf'];
export type WalkFault = Schemas['WalkFaultRequest'];
export type WalkPoint = NonNullable<WalkFault['point']>;
export type DriverAnswer = NonNullable<Schemas['AnswerRequest']['answer']>;

const REFRESH_MILLIS = 60_000;

/** What a driver has to do now, in their language. */
export function useDriverPage() {
  const { isDriver } = useSession();
  return useQuery({
    queryKey: ['driver page'],
    queryFn: () => answer(http.GET('/api/v1/driver-page')),
    enabled: isDriver,
    refetchInterval: REFRESH_MILLIS,
  });
}

/** What a driver says: that they read it, and how it is. */
export function useDriverWords() {
  const client = useQueryClient();
  return {
    async read(id: string): Promise<void> {
      const page = await answer(http.POST('/api/v1/alerts/{id}/reads', { params: { path: { id } } }));
      client.setQueryData(['driver page'], page);
    },
    async photograph(id: string, jpeg: string): Promise<void> {
      await answer(http.POST('/api/v1/alerts/{id}/photos', { params: { path: { id } }, body: { jpeg } }));
    },
    /** @returns the alerts of what was found */
    async walk(vehicle: string, faults: WalkFault[]): Promise<string[]> {
      const { alerts } = await answer(
        http.POST('/api/v1/vehicles/{ref}/walks', { params: { path: { ref: vehicle } }, body: { faults } }),
      );
      await client.invalidateQueries({ queryKey: ['driver page'] });
      return alerts;
    },
    async say(id: string, said: DriverAnswer): Promise<void> {
      await answer(
        http.POST('/api/v1/alerts/{id}/answers', { params: { path: { id } }, body: { answer: said } }),
      );
      await client.invalidateQueries({ queryKey: ['driver page'] });
    },
  };
}

export type Told = Schemas['Told'];

/** What drivers can be told of an alert, and what they were told. */
export function useInstructions(id: MaybeRefOrGetter<string>) {
  const client = useQueryClient();
  const queryKey = computed(() => ['alert', toValue(id), 'instructions']);
  const query = useQuery({
    queryKey,
    queryFn: () =>
      answer(http.GET('/api/v1/alerts/{id}/instructions', { params: { path: { id: toValue(id) } } })),
  });
  return {
    data: query.data,
    error: query.error,
    isFetching: query.isFetching,
    refetch: query.refetch,
    async tell(driver: string): Promise<void> {
      const now = await answer(
        http.POST('/api/v1/alerts/{id}/instructions', {
          params: { path: { id: toValue(id) } },
          body: { driver },
        }),
      );
      client.setQueryData(queryKey.value, now);
      await client.invalidateQueries({ queryKey: ['alert', toValue(id)], exact: true });
    },
  };
}
