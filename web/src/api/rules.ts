import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { answer, http, type Schemas } from './client';

const KEY = ['workshop rules'];

/** What the fleet asks of tyres and hand gauges. */
export function useWorkshopRules() {
  return useQuery({ queryKey: KEY, queryFn: () => answer(http.GET('/api/v1/workshop-rules')) });
}

/** Changes what the fleet asks. */
export function useRuleActions() {
  const client = useQueryClient();
  return {
    setRules: async (body: Schemas['RuleFigures']) =>
      client.setQueryData(KEY, await answer(http.PUT('/api/v1/workshop-rules', { body }))),
  };
}
