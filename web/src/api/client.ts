import { plain } from '@/shared/plainFault';
import createClient, { type Middleware } from 'openapi-fetch';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];

/** What the server says of a request that could not be done. */
export class Problem extends Error {
  constructor(
    message: string,
    readonly status: number,
    readonly faults: { field: string; message: string }[] = [],
  ) {
    super(message);
  }
}

/**
 * Whether the server has dealt with a request and will say the same again: somebody has to decide. Otherwise there was no
 * signal, it was busy, or nobody is signed in, and the same may be sent again later.
 */
export function isAnswer(e: unknown): e is Problem {
  const isLater = (status: number) => status === 0 || status === 401 || status === 429 || status > 500;
  return e instanceof Problem && !isLater(e.status);
}

function cookie(name: string): string | undefined {
  return document.cookie
    .split('; ')
    .find((part) => part.startsWith(`${name}=`))
    ?.slice(name.length + 1);
}

const crossSiteGuard: Middleware = {
  onRequest({ request }) {
    const token = cookie('XSRF-TOKEN');
    if (token && request.method !== 'GET') {
      request.headers.set('X-XSRF-TOKEN', decodeURIComponent(token));
    }
    return request;
  },
};

export const http = createClient<paths>({ baseUrl: '/' });
http.use(crossSiteGuard);

interface Outcome<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

/** Called when the server may no longer know who we are. */
export let onSignedOut: () => unknown = () => undefined;

export function whenSignedOut(then: () => unknown): void {
  onSignedOut = then;
}

/** The answer of a request, or a {@link Problem} thrown in the server's words. */
export async function answer<T>(request: Promise<Outcome<T>>): Promise<T> {
  let outcome: Outcome<T>;
  try {
    outcome = await request;
  } catch {
    throw new Problem('The server cannot be reached. Check the connection; nothing was changed.', 0);
  }
  if (outcome.data !== undefined && outcome.response.ok) {
    return outcome.data;
  }
  const problem = outcome.error as
    { detail?: string; errors?: { field: string; message: string }[] } | undefined;
  if (outcome.response.status === 401 && !outcome.response.url.endsWith('/api/v1/session')) {
    onSignedOut();
  }
  throw new Problem(
    plain(problem?.detail ?? 'The server did not answer as it should. Try again.'),
    outcome.response.status,
    problem?.errors?.map(({ field, message }) => ({ field, message: plain(message) })) ?? [],
  );
}
