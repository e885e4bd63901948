import { answer, http, type Schemas } from './client';

export type CanLogAnswer = Schemas['CanLogAnswer'];

/** A file goes as it is, bit by bit; a packed one says that it is. */
const asItIs = (file: File, type: string) => ({
  body: file as unknown as string,
  bodySerializer: (body: unknown) => body as BodyInit,
  headers: {
    'Content-Type': type,
    ...(file.name.toLowerCase().endsWith('.gz') ? { 'Content-Encoding': 'gzip' } : {}),
  },
});

/** A log of a vehicle's own bus: looked at first, then stored. */
export const takeCanLog = (vehicle: string, file: File, isPreview: boolean) =>
  answer(
    http.POST('/api/v1/can-logs', {
      params: { query: { vehicle, isPreview } },
      ...asItIs(file, 'text/plain'),
    }),
  );
