import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, toValue, type MaybeRefOrGetter } from 'vue';
import { answer, http, type Schemas } from './client';

export type PressureRound = Schemas['PressureRoundItem'];
export type RoundWheel = Schemas['RoundWheel'];

const AGAIN_MILLIS = 4_000;
const LIST = ['pressure rounds'];

export function useRounds() {
  return useQuery({
    queryKey: LIST,
    queryFn: async () => (await answer(http.GET('/api/v1/pressure-rounds'))).items,
  });
}

/** What wheels will read on a cold morning; the last answer stays while the next is reckoned. */
export function useColdOutlook(of: MaybeRefOrGetter<{ depot: string; morning: number | null }>) {
  return useQuery({
    queryKey: ['cold outlook', computed(() => toValue(of))],
    queryFn: () => {
      const { depot, morning } = toValue(of);
      return answer(
        http.GET('/api/v1/seasonal-outlook', {
          params: {
            query: {
              ...(depot ? { depot } : {}),
              ...(typeof morning === 'number' ? { morningC: morning } : {}),
            },
          },
        }),
      );
    },
    placeholderData: keepPreviousData,
  });
}

/** A round; while it is open it is reckoned again with every new reading. */
export function useRound(id: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: ['pressure round', computed(() => toValue(id))],
    queryFn: () =>
      answer(http.GET('/api/v1/pressure-rounds/{id}', { params: { path: { id: toValue(id) } } })),
    refetchInterval: (own) => (own.state.data?.state === 'OPEN' ? AGAIN_MILLIS : false),
    networkMode: 'always',
    retry: false,
  });
}

/** What an ended round prevented, from how cold it was since. */
export function useRoundOutcome(id: MaybeRefOrGetter<string>, isEnded: MaybeRefOrGetter<boolean>) {
  return useQuery({
    queryKey: ['outcome of a pressure round', computed(() => toValue(id))],
    queryFn: () =>
      answer(http.GET('/api/v1/pressure-rounds/{id}/outcome', { params: { path: { id: toValue(id) } } })),
    enabled: () => toValue(isEnded),
    retry: false,
  });
}

export function useRoundActions() {
  const client = useQueryClient();
  const keep = async (round: PressureRound) => {
    client.setQueryData(['pressure round', round.id], round);
    await client.invalidateQueries({ queryKey: LIST });
    return round;
  };
  return {
    open: async (body: Schemas['PressureRoundRequest']) =>
      keep(await answer(http.POST('/api/v1/pressure-rounds', { body }))),
    end: async (id: string, isGivenUp: boolean) =>
      keep(
        await answer(
          http.POST('/api/v1/pressure-rounds/{id}/end', { params: { path: { id } }, body: { isGivenUp } }),
        ),
      ),
    again: (id: string) => client.invalidateQueries({ queryKey: ['pressure round', id] }),
  };
}
