import { useQuery } from '@tanstack/vue-query';
import { answer, http, type Schemas } from './client';

export type DueEntry = Schemas['DueEntry'];
export type BatteryVisit = Schemas['VisitItem'];

const REFRESH_MILLIS = 5 * 60_000;

/** Work that comes due, what is due first first. */
export function useDueWork() {
  return useQuery({
    queryKey: ['due work'],
    queryFn: async () => (await answer(http.GET('/api/v1/due-work'))).items,
    refetchInterval: REFRESH_MILLIS,
  });
}

/** When sensors' cells end, as visits that change them, the next first. */
export function useBatteryVisits() {
  return useQuery({
    queryKey: ['battery visits'],
    queryFn: async () => (await answer(http.GET('/api/v1/battery-visits'))).items,
    refetchInterval: REFRESH_MILLIS,
  });
}
