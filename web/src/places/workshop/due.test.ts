// @vitest-environment node
import { describe, expect, it } from 'vitest';
import type { DueEntry } from '@/api/due';
import { dueGroups } from './due';

const entry = (thing: string, dueAt: string, more: Partial<DueEntry> = {}): DueEntry => ({
  kind: 'TREAD',
  kindWords: 'tread',
  thing,
  dueAt,
  isOverdue: false,
  words: 'plan its successor',
  ...more,
});
const late = entry('LM-21', '2026-11-01T08:00:00Z', { isOverdue: true, depot: 'Larkmoor' });
const tarn = entry('LM-22 1L', '2026-12-02T08:00:00Z', { depot: 'Sallow Bridge' });
const moor = entry('LM-23 1L', '2026-12-20T08:00:00Z', { depot: 'Larkmoor' });

describe('due work', () => {
  it('stands by month, what is overdue first, and depot by depot', () => {
    expect(dueGroups([late, tarn, moor], '')).toEqual([
      { name: 'Overdue', items: [late] },
      { name: 'December 2026', items: [moor, tarn] },
    ]);
  });

  it('shows one depot alone', () => {
    expect(dueGroups([late, tarn, moor], 'Sallow Bridge')).toEqual([
      { name: 'December 2026', items: [tarn] },
    ]);
  });
});
