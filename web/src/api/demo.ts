import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { answer, http, type Schemas } from './client';

export type DemoState = Schemas['DemoState'];
export type IncidentKind = Schemas['Planted']['kind'];

export type DriverAnswer = Schemas['DemoAnswer']['answer'];

const TEXTS_MILLIS = 10_000;
const LOADING_MILLIS = 2_000;
const SLOW_MILLIS = 30_000;

/** How the demo stands; asked often while its past is being put in place. */
export function useDemo() {
  const queries = useQueryClient();
  const query = useQuery({
    queryKey: ['demo'],
    queryFn: () => answer(http.GET('/api/v1/demo')),
    refetchInterval: (own) =>
      own.state.data?.isDemo === false
        ? false
        : (own.state.data?.progress ?? 1) < 1
          ? LOADING_MILLIS
          : SLOW_MILLIS,
  });
  const show = (state: DemoState) => queries.setQueryData(['demo'], state);
  return {
    demo: query.data,
    async plant(kind: IncidentKind, vehicle: string, position: string | null): Promise<void> {
      show(await answer(http.POST('/api/v1/demo/incidents', { body: { kind, vehicle, position } })));
    },
    async end(number: number): Promise<void> {
      show(await answer(http.POST('/api/v1/demo/incidents/end', { body: { number } })));
    },
  };
}

/** What the simulated service of text messages would have sent to drivers, and their answers. */
export function useDemoTexts() {
  const queries = useQueryClient();
  const queryKey = ['demo', 'texts'];
  const { data } = useQuery({
    queryKey,
    queryFn: () => answer(http.GET('/api/v1/demo/texts')),
    refetchInterval: TEXTS_MILLIS,
  });
  return {
    texts: data,
    async reply(id: string, said: DriverAnswer): Promise<void> {
      queries.setQueryData(
        queryKey,
        await answer(
          http.POST('/api/v1/demo/texts/{id}/answers', { params: { path: { id } }, body: { answer: said } }),
        ),
      );
    },
  };
}
