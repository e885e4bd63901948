import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { answer, http } from './client';

const LONG_MILLIS = 10 * 60_000;

/** Who was asked for once and is nobody, such as a program. */
const missing = new Set<string>();

/** People by their own names; programs and whoever is not known here keep theirs. */
export function usePeople() {
  const { data, refetch } = useQuery({
    queryKey: ['people'],
    queryFn: async () => (await answer(http.GET('/api/v1/people'))).items,
    staleTime: LONG_MILLIS,
  });
  const names = computed(() => new Map(data.value?.map((person) => [person.userName, person.displayName])));
  function nameOf(userName: string | null | undefined): string {
    if (!userName) return '';
    const name = names.value.get(userName);
    // Somebody who came since is asked for once.
    if (name === undefined && data.value && !missing.has(userName)) {
      missing.add(userName);
      void refetch();
    }
    return name ?? userName;
  }
  /** To whom an alert may be given. */
  const handlers = computed(() => data.value?.filter((person) => person.handlesAlerts) ?? []);
  return { nameOf, handlers };
}
