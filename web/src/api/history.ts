import { keepPreviousData, useQuery } from '@tanstack/vue-query';
import { computed, toValue, type MaybeRefOrGetter } from 'vue';
import { answer, http, type Schemas } from './client';
import type { Preferences } from './session';

export type WheelDays = Schemas['WheelDays'];

/** A vehicle day by day. */
export function useVehicleDays(ref: MaybeRefOrGetter<string>, days: MaybeRefOrGetter<number>) {
  return useQuery({
    queryKey: computed(() => ['vehicle', toValue(ref), 'history', toValue(days)]),
    queryFn: () =>
      answer(
        http.GET('/api/v1/vehicles/{ref}/history', {
          params: { path: { ref: toValue(ref) }, query: { days: String(toValue(days)) } },
        }),
      ),
    placeholderData: keepPreviousData,
  });
}

/** Where every reading of a vehicle can be had as a table. */
export const readingsAddress = (ref: string, from: string, units: ReaderUnits): string =>
  `/api/v1/vehicles/${encodeURIComponent(ref)}/readings?from=${from}&${inUnits(units)}`;

/** Where alerts are to be had as a table: of one vehicle, or of all. */
export const alertsAddress = (units: ReaderUnits, ref?: string): string =>
  `/api/v1/alerts.csv?${inUnits(units)}${ref === undefined ? '' : `&vehicle=${encodeURIComponent(ref)}`}`;

type ReaderUnits = Pick<Preferences, 'pressureUnit' | 'temperatureUnit'>;
const inUnits = (units: ReaderUnits) => `pressure=${units.pressureUnit}&temperature=${units.temperatureUnit}`;
