import { keepPreviousData, useQuery } from '@tanstack/vue-query';
import { computed, toValue, type MaybeRefOrGetter } from 'vue';
import { answer, http } from './client';

const zone = Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';

/** A calendar month of the fleet, such as 2026-11. */
export function useMonth(month: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: computed(() => ['month', toValue(month)]),
    queryFn: () =>
      answer(http.GET('/api/v1/reports/month', { params: { query: { month: toValue(month), zone } } })),
    placeholderData: keepPreviousData,
  });
}
