import { useQueries, useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, toValue, type MaybeRefOrGetter } from 'vue';
import { answer, http, type Schemas } from './client';
import type { VehicleItem } from './fleet';

export type CouplingItem = Schemas['CouplingItem'];
export type CouplingProposal = Schemas['ProposalItem'];
export type ReceiverItem = Schemas['ReceiverItem'];
export type ReceiverRequest = Schemas['ReceiverRequest'];

const REFRESH_MILLIS = 60_000;

/** Who pulled a vehicle and what it pulled, the latest first. */
export function useCouplings(vehicle: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: ['couplings', computed(() => toValue(vehicle))],
    queryFn: () =>
      answer(http.GET('/api/v1/couplings', { params: { query: { vehicle: toValue(vehicle) } } })),
    refetchInterval: REFRESH_MILLIS,
  });
}

/** Trailers that can be coupled, and where each hangs now. */
export function useTrailers(isWanted: MaybeRefOrGetter<boolean>) {
  return useQuery({
    queryKey: ['couplings', 'trailers'],
    queryFn: async () => (await answer(http.GET('/api/v1/couplings/trailers'))).items,
    enabled: computed(() => toValue(isWanted)),
  });
}

/** What is heard together on the road and nobody said. */
export function useCouplingProposals() {
  return useQuery({
    queryKey: ['couplings', 'proposals'],
    queryFn: async () => (await answer(http.GET('/api/v1/couplings/proposals'))).items,
    refetchInterval: REFRESH_MILLIS,
  });
}

/**
 * The vehicles of a combination as they are now, from the front. Those that are not there yet are left out.
 *
 * @param vehicle one of them, as it is known already
 */
export function useCombination(vehicle: MaybeRefOrGetter<VehicleItem | undefined>) {
  const others = useQueries({
    queries: computed(() =>
      (toValue(vehicle)?.combination ?? [])
        .filter((ref) => ref !== toValue(vehicle)?.ref)
        .map((ref) => ({
          queryKey: ['vehicle', ref],
          queryFn: () => answer(http.GET('/api/v1/vehicles/{ref}', { params: { path: { ref } } })),
          refetchInterval: REFRESH_MILLIS,
          // Whoever sees one vehicle may not see all that hangs before it.
          retry: false,
        })),
    ),
  });
  return computed(() => {
    const own = toValue(vehicle);
    if (!own) return [];
    const known = new Map<string, VehicleItem>([[own.ref, own]]);
    for (const other of others.value) if (other.data) known.set(other.data.ref, other.data);
    return own.combination.flatMap((ref) => known.get(ref) ?? []);
  });
}

/** Ways to couple and uncouple. */
export function useCouplingActions() {
  const client = useQueryClient();
  async function done<T>(call: Promise<T>): Promise<T> {
    const result = await call;
    await Promise.all(
      [['couplings'], ['vehicle'], ['vehicles'], ['driver page']].map((queryKey) =>
        client.invalidateQueries({ queryKey }),
      ),
    );
    return result;
  }
  return {
    couple: (pulled: string, puller: string, at: string | null) =>
      done(answer(http.POST('/api/v1/couplings', { body: { pulled, puller, at } }))),
    uncouple: (id: string, at: string | null) =>
      done(answer(http.POST('/api/v1/couplings/{id}/end', { params: { path: { id } }, body: { at } }))),
    forget: (id: string) => done(answer(http.DELETE('/api/v1/couplings/{id}', { params: { path: { id } } }))),
    deny: (pulled: string, front: string) =>
      done(answer(http.POST('/api/v1/couplings/denials', { body: { pulled, front } }))),
  };
}

/** Receivers and repeaters that were heard or described. */
export function useReceivers() {
  const client = useQueryClient();
  const queryKey = ['receivers'];
  const query = useQuery({
    queryKey,
    queryFn: () => answer(http.GET('/api/v1/receivers')),
    refetchInterval: REFRESH_MILLIS,
  });
  return {
    ...query,
    describe: async (name: string, body: ReceiverRequest) =>
      client.setQueryData(
        queryKey,
        await answer(http.PUT('/api/v1/receivers/{name}', { params: { path: { name } }, body })),
      ),
    forget: async (name: string) =>
      client.setQueryData(
        queryKey,
        await answer(http.DELETE('/api/v1/receivers/{name}', { params: { path: { name } } })),
      ),
  };
}

/** How much of what each wheel says is heard, of the whole combination as it stands. */
export function useSignalTest(vehicle: MaybeRefOrGetter<string>, isWanted: MaybeRefOrGetter<boolean>) {
  return useQuery({
    queryKey: ['signal test', computed(() => toValue(vehicle))],
    queryFn: () =>
      answer(http.GET('/api/v1/vehicles/{ref}/signal-test', { params: { path: { ref: toValue(vehicle) } } })),
    enabled: computed(() => toValue(isWanted)),
    refetchInterval: REFRESH_MILLIS,
  });
}
