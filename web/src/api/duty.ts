import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { answer, http, type Schemas } from './client';

export type DepotDuty = Schemas['DepotDuty'];
export type ShiftLine = Schemas['ShiftLine'];
export type ReplacementLine = Schemas['ReplacementLine'];

const KEY = ['duty'];
const REFRESH_MILLIS = 60_000;

/** Who is on duty when, by depot. */
export function useDuty() {
  const client = useQueryClient();
  const query = useQuery({
    queryKey: KEY,
    queryFn: () => answer(http.GET('/api/v1/duty')),
    refetchInterval: REFRESH_MILLIS,
  });
  return {
    data: query.data,
    error: query.error,
    async set(body: Schemas['DutyRequest']): Promise<void> {
      client.setQueryData(KEY, await answer(http.PUT('/api/v1/duty', { body })));
    },
    async setSettings(body: Schemas['DutySettings']): Promise<void> {
      client.setQueryData(KEY, await answer(http.PUT('/api/v1/duty/settings', { body })));
    },
  };
}
