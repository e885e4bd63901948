import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { answer, http, type Schemas } from './client';

export type TextList = Schemas['TextList'];

const KEY = ['texts'];

/** Text messages, and the service that sends them. */
export function useTexts() {
  const client = useQueryClient();
  const put = (list: TextList) => client.setQueryData(KEY, list);
  const query = useQuery({
    queryKey: KEY,
    queryFn: () => answer(http.GET('/api/v1/texts')),
    refetchInterval: 10_000,
  });
  const secretOf = async (made: Promise<Schemas['WebhookSecret']>): Promise<string> => {
    const { secret } = await made;
    await client.invalidateQueries({ queryKey: KEY });
    return secret;
  };
  return {
    data: query.data,
    error: query.error,
    use: (url: string) => secretOf(answer(http.PUT('/api/v1/texts/service', { body: { url } }))),
    rotate: () => secretOf(answer(http.POST('/api/v1/texts/service/secrets'))),
    async drop(): Promise<void> {
      put(await answer(http.DELETE('/api/v1/texts/service/secrets/old')));
    },
    async stop(): Promise<void> {
      put(await answer(http.DELETE('/api/v1/texts/service')));
    },
    async sendAgain(id: string): Promise<void> {
      put(await answer(http.POST('/api/v1/texts/{id}/tries', { params: { path: { id } } })));
    },
  };
}
