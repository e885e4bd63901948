import type { BatteryVisit } from '@/api/due';

/** Year and month, such as 2026-11. */
export type MonthKey = string;

export const monthOf = (time: string): MonthKey => time.slice(0, 7);

export function monthName(month: MonthKey): string {
  return new Date(`${month}-15T12:00:00Z`).toLocaleDateString('en-GB', { month: 'long', year: 'numeric' });
}

export interface DepotYear {
  depot: string;
  counts: Map<MonthKey, number>;
  later: number;
  next: { month: MonthKey; count: number } | undefined;
}

/** How many cells are changed in each of the next twelve months, this one first, at each depot. */
export function byMonth(visits: BatteryVisit[], today: Date): { months: MonthKey[]; rows: DepotYear[] } {
  const months = Array.from({ length: 12 }, (_, i) =>
    monthOf(new Date(Date.UTC(today.getUTCFullYear(), today.getUTCMonth() + i, 15)).toISOString()),
  );
  const rows = new Map<string, DepotYear>();
  for (const visit of visits) {
    const depot = visit.depot ?? '';
    const row = rows.get(depot) ?? { depot, counts: new Map<MonthKey, number>(), later: 0, next: undefined };
    rows.set(depot, row);
    const month = monthOf(visit.on);
    if (months.includes(month)) {
      const count = (row.counts.get(month) ?? 0) + visit.cells.length;
      row.counts.set(month, count);
    } else {
      row.later += visit.cells.length;
    }
  }
  for (const row of rows.values()) {
    const month = months.find((one) => row.counts.has(one));
    row.next = month ? { month, count: row.counts.get(month) ?? 0 } : undefined;
  }
  return { months, rows: [...rows.values()].sort((a, b) => a.depot.localeCompare(b.depot)) };
}
