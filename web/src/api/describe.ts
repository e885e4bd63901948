import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, toValue, type MaybeRefOrGetter } from 'vue';
import { answer, http, type Schemas } from './client';

export type VehicleLayout = Schemas['Layout'];
export type VehicleBatch = Schemas['VehicleBatch'];
export type DescribedVehicle = Schemas['DescribedVehicle'];
type VehicleEntry = Schemas['VehicleEntry'];

/** Layouts to start from, and the depots that are known. */
export function useLayouts() {
  return useQuery({
    queryKey: ['layouts'],
    queryFn: () => answer(http.GET('/api/v1/vehicle-layouts')),
    staleTime: Infinity,
  });
}

/** What a vehicle looks like. */
export function fetchDescription(ref: string): Promise<DescribedVehicle> {
  return answer(http.GET('/api/v1/vehicles/{ref}/description', { params: { path: { ref } } }));
}

export function useDescription(ref: MaybeRefOrGetter<string | undefined>) {
  return useQuery({
    queryKey: ['description', computed(() => toValue(ref))],
    queryFn: () => fetchDescription(toValue(ref) ?? ''),
    enabled: computed(() => Boolean(toValue(ref))),
  });
}

/** What people write down of vehicles. */
export function useDescribing() {
  const client = useQueryClient();

  async function everythingAnew<T>(made: T): Promise<T> {
    await client.invalidateQueries();
    return made;
  }

  return {
    async create(vehicle: VehicleEntry): Promise<DescribedVehicle> {
      return everythingAnew(await answer(http.POST('/api/v1/vehicles', { body: vehicle })));
    },
    async change(ref: string, revision: number, vehicle: VehicleEntry): Promise<DescribedVehicle> {
      return everythingAnew(
        await answer(
          http.PUT('/api/v1/vehicles/{ref}/description', {
            params: { path: { ref }, query: { revision } },
            body: vehicle,
          }),
        ),
      );
    },
    async createMany(vehicle: VehicleEntry, rows: string, isPreview: boolean): Promise<VehicleBatch> {
      const made = await answer(http.POST('/api/v1/vehicle-batches', { body: { vehicle, rows, isPreview } }));
      return isPreview ? made : everythingAnew(made);
    },
    async use(ref: string, use: NonNullable<Schemas['UseRequest']['use']>): Promise<DescribedVehicle> {
      return everythingAnew(
        await answer(http.PUT('/api/v1/vehicles/{ref}/use', { params: { path: { ref } }, body: { use } })),
      );
    },
    async putInState(ref: string, how: Schemas['StateRequest']): Promise<DescribedVehicle> {
      return everythingAnew(
        await answer(http.PUT('/api/v1/vehicles/{ref}/state', { params: { path: { ref } }, body: how })),
      );
    },
  };
}
