import { describe, expect, it, vi } from 'vitest';
import { answer, Problem, whenSignedOut } from './client';

function outcome(status: number, body: unknown, url = 'http://localhost/api/v1/alerts') {
  const response = { status, ok: status < 400, url } as Response;
  return Promise.resolve(status < 400 ? { data: body, response } : { error: body, response });
}

describe('answer', () => {
  it('gives the data of a good one', async () => {
    await expect(answer(outcome(200, { vehicles: 1 }))).resolves.toEqual({ vehicles: 1 });
  });

  it('throws a problem in the server’s words', async () => {
    const body = {
      detail: 'The document has one fault.',
      errors: [{ field: '$.format', message: 'missing' }],
    };
    const problem = await answer(outcome(400, body)).catch((e: unknown) => e);
    expect(problem).toBeInstanceOf(Problem);
    expect((problem as Problem).message).toBe('The document has one fault.');
    expect((problem as Problem).faults).toHaveLength(1);
  });

  it('says in words that the server cannot be reached', async () => {
    await expect(answer(Promise.reject(new TypeError('failed to fetch')))).rejects.toThrow(
      'cannot be reached',
    );
  });

  it('notices that the session is over, but not at a wrong password', async () => {
    const signedOut = vi.fn();
    whenSignedOut(signedOut);
    await answer(outcome(401, {}, 'http://localhost/api/v1/session')).catch(() => undefined);
    expect(signedOut).not.toHaveBeenCalled();
    await answer(outcome(401, {})).catch(() => undefined);
    expect(signedOut).toHaveBeenCalledTimes(1);
  });
});
