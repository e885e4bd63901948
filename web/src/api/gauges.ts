import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { answer, http, type Schemas } from './client';

/** Days are written as the server has them, `2026-03-02`. */
export type HandGauge = Schemas['HandGaugeItem'];

const GAUGES = ['hand gauges'];

export function useHandGauges() {
  return useQuery({
    queryKey: GAUGES,
    queryFn: async () => (await answer(http.GET('/api/v1/hand-gauges'))).items,
  });
}

export function useHandGaugeActions() {
  const client = useQueryClient();
  return {
    async keep(name: string, body: Schemas['HandGaugeEntry']): Promise<void> {
      const { items } = await answer(
        http.PUT('/api/v1/hand-gauges/{name}', { params: { path: { name } }, body }),
      );
      client.setQueryData(GAUGES, items);
      await client.invalidateQueries({ queryKey: ['due work'] });
    },
    async takeOut(name: string): Promise<void> {
      await answer(http.DELETE('/api/v1/hand-gauges/{name}', { params: { path: { name } } }));
      await client.invalidateQueries({ queryKey: GAUGES });
      await client.invalidateQueries({ queryKey: ['due work'] });
    },
  };
}
