import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Problem } from './client';
import type { EntryOutcome, EntryRequest } from './jobs';
import { drop, flush, keep, loadOutbox, mean, useOutbox } from './outbox';
import { sendEntries } from './jobs';

vi.mock('./jobs', () => ({ sendEntries: vi.fn() }));
const send = vi.mocked(sendEntries);

const entry = (key: string): EntryRequest & { key: string } => ({
  key,
  kind: 'NOTED',
  position: null,
  data: {},
});
const outcome = (key: string, what: EntryOutcome['outcome']): EntryOutcome => ({
  key,
  outcome: what,
  doubts: [],
});
const taken = (...outcomes: EntryOutcome[]) => Promise.resolve({ outcomes, job: { id: '7' } } as never);
const { waiting } = useOutbox();
const keys = () => waiting.value.map((one) => one.entry.key);

beforeEach(loadOutbox);
afterEach(async () => {
  for (const key of keys()) await drop(key);
  send.mockReset();
});

describe('the outbox', () => {
  it('keeps what cannot be sent, over a reload', async () => {
    send.mockRejectedValue(new Problem('no signal', 0));
    await keep('7', entry('one'));
    await expect(flush()).resolves.toEqual([]);
    await loadOutbox();
    expect(keys()).toEqual(['one']);
  });

  it('sends in order and forgets what was stored or known', async () => {
    send.mockReturnValue(taken(outcome('one', 'STORED'), outcome('two', 'KNOWN')));
    await keep('7', entry('one'));
    await keep('7', entry('two'));
    await expect(flush()).resolves.toHaveLength(1);
    expect(send.mock.calls[0]?.[1].map((one) => one.key)).toEqual(['one', 'two']);
    expect(keys()).toEqual([]);
  });

  it('never sends the same twice at once', async () => {
    send.mockReturnValue(taken(outcome('one', 'STORED')));
    await keep('7', entry('one'));
    await Promise.all([flush(), flush()]);
    expect(send).toHaveBeenCalledTimes(1);
  });

  it('holds a conflict until somebody decides, and does not send it meanwhile', async () => {
    send.mockReturnValueOnce(taken(outcome('one', 'CONFLICT')));
    await keep('7', entry('one'));
    await flush();
    await flush();
    expect(send).toHaveBeenCalledTimes(1);
    expect(waiting.value[0]?.outcome?.outcome).toBe('CONFLICT');

    send.mockReturnValueOnce(taken(outcome('one', 'STORED')));
    await mean('one');
    await flush();
    expect(send.mock.calls[1]?.[1][0]?.isMeant).toBe(true);
    expect(keys()).toEqual([]);
  });

  it('says what the server refuses and goes on afterwards', async () => {
    send.mockRejectedValueOnce(new Problem('There is no job 7.', 404));
    await keep('7', entry('one'));
    await expect(flush()).rejects.toThrow('There is no job 7.');
    send.mockReturnValueOnce(taken(outcome('one', 'STORED')));
    await flush();
    expect(keys()).toEqual([]);
  });
});
