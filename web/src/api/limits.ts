import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { answer, http, type Schemas } from './client';
import type { Preferences } from './session';

export type LimitPolicy = Schemas['LimitPolicy'];
export type LimitEdit = Schemas['LimitEdit'];
export type LimitPreview = Schemas['LimitPreview'];

export function useLimits() {
  return useQuery({ queryKey: ['limits'], queryFn: () => answer(http.GET('/api/v1/limits')) });
}

/** What a stated percentage really is, kPa; undefined if what was typed agrees within rounding. */
export async function statedFigure(
  targetKpa: number,
  pct: number,
  enteredKpa: number,
  unit: Preferences['pressureUnit'],
): Promise<number | undefined> {
  const { rightKpa } = await answer(
    http.GET('/api/v1/limits/stated-figure', { params: { query: { targetKpa, pct, enteredKpa, unit } } }),
  );
  return rightKpa ?? undefined;
}

export function useLimitChanges() {
  const client = useQueryClient();
  return {
    show: (change: LimitEdit) =>
      answer(http.POST('/api/v1/limit-changes', { body: { change, isPreview: true } })),
    async make(change: LimitEdit): Promise<LimitPreview> {
      const made = await answer(http.POST('/api/v1/limit-changes', { body: { change, isPreview: false } }));
      await client.invalidateQueries();
      return made;
    },
    async undo(id: string): Promise<void> {
      await answer(http.POST('/api/v1/limit-changes/{id}/undo', { params: { path: { id } } }));
      await client.invalidateQueries();
    },
  };
}
