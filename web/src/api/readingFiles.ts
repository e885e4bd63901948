import { useQuery, useQueryClient } from '@tanstack/vue-query';
import type { PRESSURE_UNITS } from '@/shared/units';
import { answer, http, type Schemas } from './client';

export type ReadingFileItem = Schemas['ReadingFileItem'];
export type ReadingFileLook = Schemas['ReadingFileLook'];

/** How a file of readings is to be understood. */
export interface Reading {
  columns: Record<string, string>;
  pressure: keyof typeof PRESSURE_UNITS;
  temperature: 'CELSIUS' | 'FAHRENHEIT';
  timeZone: string;
}

/** So much of a file is looked at before it is sent. */
const HEAD_BYTES = 200_000;
const BINARY = { 'Content-Type': 'application/octet-stream' };
const asItIs = (body: Blob) => ({
  body: body as unknown as string,
  bodySerializer: (one: unknown) => one as BodyInit,
  headers: BINARY,
});

/** The first rows of a file, unpacked, without the one that is cut off. */
export async function headOf(file: File): Promise<Blob> {
  const isPacked = file.name.toLowerCase().endsWith('.gz');
  const stream = isPacked
    ? file.stream().pipeThrough(new DecompressionStream('gzip'))
    : file.slice(0, HEAD_BYTES).stream();
  const reader = stream.getReader();
  const parts: Uint8Array[] = [];
  let length = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return new Blob([joined(parts)] as BlobPart[]);
    parts.push(value);
    length += value.length;
    if (length >= HEAD_BYTES) break;
  }
  await reader.cancel();
  const head = joined(parts);
  const end = head.lastIndexOf(10);
  return new Blob([end > 0 ? head.slice(0, end + 1) : head] as BlobPart[]);
}

function joined(parts: Uint8Array[]): Uint8Array {
  const all = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return all;
}

const queryOf = ({ columns, ...rest }: Reading) => ({
  ...rest,
  ...(Object.keys(columns).length ? { columns: JSON.stringify(columns) } : {}),
});

/** What its head shows; nothing is stored. */
export const lookAtFile = (head: Blob, how: Reading) =>
  answer(http.POST('/api/v1/reading-files/look', { params: { query: queryOf(how) }, ...asItIs(head) }));

/** Files and how far they are; asked often while one is under way. */
export function useReadingFiles() {
  return useQuery({
    queryKey: ['reading files'],
    queryFn: async () => (await answer(http.GET('/api/v1/reading-files'))).items,
    refetchInterval: (own) => (own.state.data?.some(isUnderWay) ? 1_500 : 30_000),
  });
}

export const isUnderWay = (file: ReadingFileItem): boolean =>
  file.state === 'WAITING' || file.state === 'RUNNING';

export function useReadingFileActions() {
  const client = useQueryClient();
  const changed = () => client.invalidateQueries({ queryKey: ['reading files'] });
  return {
    async send(file: File, how: Reading): Promise<void> {
      await answer(
        http.POST('/api/v1/reading-files', {
          params: { query: { name: file.name, ...queryOf(how) } },
          ...asItIs(file),
        }),
      );
      await changed();
    },
    async stop(id: string): Promise<void> {
      await answer(http.DELETE('/api/v1/reading-files/{id}', { params: { path: { id } } }));
      await changed();
    },
  };
}
