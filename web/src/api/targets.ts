import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { answer, http, type Schemas } from './client';

const TABLES = ['load tables'];
const DEPOTS = ['depots'];
const MAKES = ['sensor makes'];

export function useLoadTables() {
  return useQuery({
    queryKey: TABLES,
    queryFn: async () => (await answer(http.GET('/api/v1/load-tables'))).items,
  });
}

export function useDepots() {
  return useQuery({
    queryKey: DEPOTS,
    queryFn: async () => (await answer(http.GET('/api/v1/depots'))).items,
  });
}

export function useSensorMakes() {
  return useQuery({
    queryKey: MAKES,
    queryFn: async () => (await answer(http.GET('/api/v1/sensor-makes'))).items,
  });
}

/** The cold target that a weighed axle load asks for. */
export const proposeTarget = (body: Schemas['WeighedAxle']) =>
  answer(http.POST('/api/v1/target-proposals', { body }));

export function useTargetActions() {
  const client = useQueryClient();
  return {
    async enterTable(body: Schemas['LoadTableRequest']): Promise<void> {
      client.setQueryData(TABLES, (await answer(http.POST('/api/v1/load-tables', { body }))).items);
    },
    async removeTable(id: string): Promise<void> {
      client.setQueryData(
        TABLES,
        (await answer(http.DELETE('/api/v1/load-tables/{id}', { params: { path: { id } } }))).items,
      );
    },
    async setDepot(body: Schemas['DepotRequest']): Promise<void> {
      client.setQueryData(DEPOTS, (await answer(http.PUT('/api/v1/depots', { body }))).items);
    },
    async setMake(mount: Schemas['SensorMake']['mount'], body: Schemas['SensorMakeRequest']): Promise<void> {
      const { items } = await answer(
        http.PUT('/api/v1/sensor-makes/{mount}', { params: { path: { mount } }, body }),
      );
      client.setQueryData(MAKES, items);
    },
  };
}
