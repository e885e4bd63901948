import { useInfiniteQuery, useQuery } from '@tanstack/vue-query';
import { computed, toValue, type MaybeRefOrGetter } from 'vue';
import { answer, http, type Schemas } from './client';

export type LogbookItem = Schemas['LogbookItem'];
export type DeedKind = LogbookItem['kind'];

/** Which entries are wanted; what is absent does not matter. */
export interface LogbookFilter {
  vehicle?: string;
  position?: string;
  authorKind?: LogbookItem['authorKind'];
  author?: string;
  kind?: DeedKind;
  alert?: string;
  /** Not before, ISO 8601. */
  from?: string;
  /** Before, ISO 8601. */
  to?: string;
  text?: string;
}

const LOGBOOK = 'logbook';

/** Entries that fit, the newest first, page by page. */
export function useLogbook(filter: MaybeRefOrGetter<LogbookFilter>, limit = 50) {
  const query = useInfiniteQuery({
    queryKey: [LOGBOOK, filter, limit],
    queryFn: ({ pageParam }) =>
      answer(
        http.GET('/api/v1/logbook', {
          params: {
            query: {
              ...toValue(filter),
              ...(pageParam && { before: pageParam }),
              limit: String(limit),
            },
          },
        }),
      ),
    initialPageParam: '',
    getNextPageParam: (page) =>
      page.next === null || page.next === undefined ? undefined : String(page.next),
    // Every page would be read again.
    refetchInterval: ({ state }) => ((state.data?.pages.length ?? 0) > 2 ? false : 20_000),
  });
  return { ...query, items: computed(() => query.data.value?.pages.flatMap((page) => page.items)) };
}

/** The kinds of deeds and how they are called. */
export function useDeedKinds() {
  return useQuery({
    queryKey: [LOGBOOK, 'kinds'],
    queryFn: () => answer(http.GET('/api/v1/logbook/kinds')),
    staleTime: Infinity,
  });
}

/** Reads the whole book on the server and says whether its chain is whole. */
export const checkLogbook = () => answer(http.GET('/api/v1/logbook/proof'));

/** Mails number and hash of the newest entry. */
export const mailNewest = (email: string) => answer(http.POST('/api/v1/logbook/seals', { body: { email } }));

/** Checks the logbook in a backup. */
export const checkBackup = (name: string) =>
  answer(http.GET('/api/v1/backups/{name}/proof', { params: { path: { name } } }));

/** The address of what fits as a file. */
export function logbookFile(filter: LogbookFilter, form: 'csv' | 'json'): string {
  const query = new URLSearchParams(
    Object.entries(filter).filter((entry): entry is [string, string] => Boolean(entry[1])),
  );
  return `/api/v1/logbook/export.${form}?${query.toString()}`;
}
