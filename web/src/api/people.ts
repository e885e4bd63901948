import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { answer, http } from './client';

const LONG_MILLIS = 10 * 60_000;

/** People by their own names; programs and whoever is not known here keep theirs. */
export function usePeople() {
  const { data } = useQuery({
    queryKey: ['people'],
    queryFn: async () => (await answer(http.GET('/api/v1/people'))).items,
    staleTime: LONG_MILLIS,
  });
  const names = computed(() => new Map(data.value?.map((person) => [person.userName, person.displayName])));
  return {
    nameOf: (userName: string | null | undefined) => names.value.get(userName ?? '') ?? userName ?? '',
  };
}
