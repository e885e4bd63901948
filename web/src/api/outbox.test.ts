import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Problem } from './client';
import type { EntryOutcome, EntryRequest } from './jobs';
import { drop, flush, keep, loadOutbox, mean, useOutbox, whenTaken } from './outbox';
import { sendEntries } from './jobs';
import { keepFor } from './kept';

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
const { waiting, others } = useOutbox();
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

  it('shows a job as it is now while its entries still wait', async () => {
    send.mockReturnValue(taken(outcome('one', 'STORED')));
    let waited: string[] = [];
    whenTaken(() => {
      waited = keys();
    });
    await keep('7', entry('one'));
    await flush();
    expect(waited).toEqual(['one']);
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

  it('holds what the server refuses until somebody decides, and goes on with everything else', async () => {
    send.mockImplementation((job) =>
      job === '7' ? Promise.reject(new Problem('There is no job 7.', 404)) : taken(outcome('two', 'STORED')),
    );
    await keep('7', entry('one'));
    await keep('8', entry('two'));
    await flush();
    expect(keys()).toEqual(['one']);
    expect(waiting.value[0]?.outcome).toMatchObject({ outcome: 'REFUSED', message: 'There is no job 7.' });
  });

  it('leaves only the one entry behind that makes the server fail', async () => {
    send.mockImplementation((_, entries) =>
      entries.some((one) => one.key === 'odd')
        ? Promise.reject(new Problem('Something broke on our side.', 500))
        : taken(...entries.map((one) => outcome(one.key ?? '', 'STORED'))),
    );
    for (const key of ['one', 'odd', 'two']) await keep('7', entry(key));
    await flush();
    expect(keys()).toEqual(['odd']);
    expect(waiting.value[0]?.outcome?.outcome).toBe('REFUSED');
    send.mockClear();
    await flush();
    expect(send).not.toHaveBeenCalled();
  });

  it('sends again later what met a server that was busy, down or out of reach', async () => {
    for (const status of [0, 401, 429, 502, 503]) {
      send.mockRejectedValueOnce(new Problem('later', status));
      await keep('7', entry(`at ${status}`));
      await flush();
      expect(waiting.value.every((one) => !one.outcome)).toBe(true);
    }
  });

  it('never sends in the name of somebody else', async () => {
    keepFor('quill');
    send.mockRejectedValue(new Problem('no signal', 0));
    await keep('7', entry('of quill'));
    keepFor('marrable');
    await keep('7', entry('of marrable'));
    send.mockReset();
    send.mockImplementation((_, entries) => taken(...entries.map((one) => outcome(one.key ?? '', 'STORED'))));

    await flush();

    expect(send.mock.calls.flatMap((call) => call[1].map((one) => one.key))).toEqual(['of marrable']);
    expect(others.value).toBe(1);
    keepFor('quill');
    expect(keys()).toEqual(['of quill']);
    await flush();
    expect(keys()).toEqual([]);
    keepFor(undefined);
  });
});
