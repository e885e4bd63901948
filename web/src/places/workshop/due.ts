import type { DueEntry } from '@/api/due';

export interface DueGroup {
  name: string;
  items: DueEntry[];
}

const MONTH = new Intl.DateTimeFormat('en-GB', { month: 'long', year: 'numeric' });

/** What is due by month, what is overdue first; those of one depot stand together, so that one visit does them. */
export function dueGroups(items: readonly DueEntry[], depot: string): DueGroup[] {
  const groups = new Map<string, DueEntry[]>();
  for (const item of items) {
    if (depot && item.depot !== depot) continue;
    const name = item.isOverdue ? 'Overdue' : MONTH.format(new Date(item.dueAt));
    groups.set(name, [...(groups.get(name) ?? []), item]);
  }
  return [...groups].map(([name, own]) => ({
    name,
    items: own.sort((a, b) => (a.depot ?? '').localeCompare(b.depot ?? '') || a.dueAt.localeCompare(b.dueAt)),
  }));
}
