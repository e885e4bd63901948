import { describe, expect, it } from 'vitest';
import { Problem } from '@/api/client';
import { useAttempt } from './useAttempt';

describe('doing what a form asks', () => {
  it('says that it was done, and is busy meanwhile', async () => {
    const { trouble, isBusy, attempt } = useAttempt();
    const seen: boolean[] = [];

    const isDone = await attempt(() => Promise.resolve(seen.push(isBusy.value)));

    expect([isDone, seen, isBusy.value, trouble.value]).toEqual([true, [true], false, '']);
  });

  it('keeps what the server says against it, field by field, until the next time', async () => {
    const { trouble, faults, attempt } = useAttempt();
    const field = { field: 'name', message: 'Give a name.' };

    const isDone = await attempt(() => Promise.reject(new Problem('Two things are missing.', 400, [field])));

    expect([isDone, trouble.value, faults.value]).toEqual([false, 'Two things are missing.', [field]]);
    await attempt(() => Promise.resolve());
    expect([trouble.value, faults.value]).toEqual(['', []]);
  });

  it('shows what else went wrong in its own words', async () => {
    const { trouble, faults, attempt } = useAttempt();

    await attempt(() => Promise.reject(new Error('It is no fleet document.')));

    expect([trouble.value, faults.value]).toEqual(['It is no fleet document.', []]);
  });
});
