import { useQuery } from '@tanstack/vue-query';
import type { PRESSURE_UNITS } from '@/shared/units';
import { answer, http, type Schemas } from './client';

export type SheetAnswer = Schemas['SheetAnswer'];
export type ColumnItem = Schemas['ColumnItem'];

/** How a table is to be understood. */
export interface SheetReading {
  columns: Record<string, string>;
  pressure: keyof typeof PRESSURE_UNITS;
  timeZone: string;
  isUpdate: boolean;
}

/** What tables can be of. */
export function useSheetKinds() {
  return useQuery({
    queryKey: ['sheet kinds'],
    queryFn: async () => (await answer(http.GET('/api/v1/sheets'))).items,
    staleTime: Infinity,
  });
}

/** Looks at a table, or takes it in whole. */
export const takeSheet = (kind: string, file: Blob, { columns, ...rest }: SheetReading, isPreview: boolean) =>
  answer(
    http.POST('/api/v1/sheets/{kind}', {
      params: {
        path: { kind },
        query: {
          ...rest,
          isPreview,
          ...(Object.keys(columns).length ? { columns: JSON.stringify(columns) } : {}),
        },
      },
      body: file as unknown as string,
      bodySerializer: (body) => body as unknown as BodyInit,
      headers: { 'Content-Type': 'text/csv' },
    }),
  );

/** Where a table of what there is can be had. */
export const sheetAddress = (kind: string, pressure: string): string =>
  `/api/v1/sheets/${kind}?pressure=${pressure}`;
