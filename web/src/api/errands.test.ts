import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { Problem } from './client';
import { dropErrand, flushErrands, keepErrand, loadErrands, useErrands } from './errands';

const sent: { path: string; body: unknown }[] = [];
let failure: Problem | undefined;

vi.mock('./client', async (original) => ({
  ...(await original<typeof import('./client')>()),
  http: {
    POST: (path: string, { body }: { body: unknown }) => {
      sent.push({ path, body });
      return failure;
    },
  },
  answer: async (outcome: Problem | undefined) => {
    if (outcome) throw outcome;
    await Promise.resolve();
  },
}));

const errand = { round: '1', vehicle: 'GX-05', position: '1L' };
const waiting = useErrands();

describe('what is done in a round', () => {
  beforeEach(async () => {
    sent.length = 0;
    failure = undefined;
    await loadErrands();
    for (const one of [...waiting.value]) await dropErrand(one.key);
  });

  it('is sent in its order and forgotten once it is stored', async () => {
    await keepErrand({ ...errand, reason: 'by the hand gauge it is right' });
    await keepErrand({ ...errand, set: { afterKpa: 850 } });

    expect(await flushErrands()).toBe(true);

    expect(sent.map((one) => one.body)).toEqual([
      { vehicle: 'GX-05', position: '1L', reason: 'by the hand gauge it is right' },
      { afterKpa: 850 },
    ]);
    expect(waiting.value).toEqual([]);
  });

  it('stays where it is without a signal, also over a reload', async () => {
    failure = new Problem('no signal', 0);
    await keepErrand({ ...errand, reason: 'later' });

    expect(await flushErrands()).toBe(false);
    await loadErrands();

    expect(waiting.value.map((one) => one.reason)).toEqual(['later']);
    expect(waiting.value[0]?.trouble).toBeUndefined();
  });

  it('says what the server has against it, and is not sent again by itself', async () => {
    failure = new Problem('This round has ended.', 409);
    await keepErrand({ ...errand, reason: 'too late' });
    await flushErrands();
    await flushErrands();

    expect(sent).toHaveLength(1);
    expect(waiting.value[0]?.trouble).toBe('This round has ended.');
  });
});
