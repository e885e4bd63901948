import { useQuery } from '@tanstack/vue-query';
import { computed, toValue, type MaybeRefOrGetter } from 'vue';
import { answer, http, type Schemas } from './client';

export type AlertHealth = Schemas['Health'];
export type HealthWeek = Schemas['Week'];
export type HealthCause = Schemas['WorstCause'];

/** Whether the alerts are good for anything, week by week of the reader's own clock. */
export function useAlertHealth(weeks: MaybeRefOrGetter<number>) {
  return useQuery({
    queryKey: ['alert health', computed(() => toValue(weeks))],
    queryFn: () =>
      answer(
        http.GET('/api/v1/alert-health', {
          params: {
            query: {
              weeks: String(toValue(weeks)),
              zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
            },
          },
        }),
      ),
  });
}
