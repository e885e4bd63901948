import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, toValue, type MaybeRefOrGetter } from 'vue';
import { answer, http, type Schemas } from './client';

export type StockItem = Schemas['StockItem'];
export type KitPlan = Schemas['KitPlanItem'];
export type KitPlanRequest = Schemas['KitPlanRequest'];
export type PickLine = Schemas['PickLine'];

/** What became of a plan, in words. */
export const PLAN_STATES: Record<KitPlan['state'], string> = {
  PLANNED: 'nothing lies aside yet',
  RESERVED: 'what there is lies aside',
  HANDED_OUT: 'handed out',
};

const STOCK = ['stock'];
const PLANS = ['kit plans'];

export function useStock() {
  return useQuery({
    queryKey: STOCK,
    queryFn: async () => (await answer(http.GET('/api/v1/stock'))).items,
  });
}

export function useKitPlans() {
  return useQuery({
    queryKey: PLANS,
    queryFn: async () => (await answer(http.GET('/api/v1/kit-plans'))).items,
  });
}

export function useKitPlan(id: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: ['kit plan', computed(() => toValue(id))],
    queryFn: () => answer(http.GET('/api/v1/kit-plans/{id}', { params: { path: { id: toValue(id) } } })),
  });
}

export function useStoreActions() {
  const client = useQueryClient();
  return {
    async count(item: StockItem['item'], onHand: number): Promise<void> {
      const { items } = await answer(
        http.PUT('/api/v1/stock/{item}', { params: { path: { item } }, body: { onHand } }),
      );
      client.setQueryData(STOCK, items);
    },
    plan: (body: KitPlanRequest) => answer(http.POST('/api/v1/kit-plans', { body })),
    async step(id: string, what: 'reserve' | 'release' | 'hand-out'): Promise<void> {
      const plan = await answer(http.POST(`/api/v1/kit-plans/{id}/${what}`, { params: { path: { id } } }));
      client.setQueryData(['kit plan', id], plan);
      await client.invalidateQueries({ queryKey: STOCK });
      await client.invalidateQueries({ queryKey: PLANS });
    },
  };
}
