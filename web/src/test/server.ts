/** What a page asked the server for, in its order. */
export interface Asked {
  method: string;
  path: string;
  query: URLSearchParams;
  body: unknown;
}

type Answer = object | ((asked: Asked) => unknown);

let answers: [method: string, path: RegExp, answer: Answer][] = [];
/** Everything that was asked since the test began. */
export let asked: Asked[] = [];

const PARTS = /\{\w+\}/g;

/**
 * Says what the server answers in this test: a value, or what a function makes of the question. Later ones go before earlier
 * ones; what nobody named is not found, and so are its pages.
 *
 * @param given by `GET /api/v1/alerts/{id}`, with the path as the interface's document has it
 */
export function answered(given: Record<string, Answer>): void {
  for (const [question, answer] of Object.entries(given)) {
    const [method = 'GET', path = ''] = question.split(' ');
    const pattern = new RegExp(`^${path.replaceAll('.', '\\.').replace(PARTS, '[^/]+')}$`);
    answers.unshift([method, pattern, answer]);
  }
}

/** An answer that refuses, as the server does it. */
export class Refused {
  constructor(
    readonly status: number,
    readonly detail: string,
    readonly errors: { field: string; message: string }[] = [],
  ) {}
}

/** There is no signal. */
export const NO_SIGNAL = () => {
  throw new TypeError('fetch failed');
};

export async function ask(input: RequestInfo | URL, init?: RequestInit): Promise<Response> {
  const request = input instanceof Request ? input : new Request(input as string, init);
  const url = new URL(request.url);
  const text = await request.text();
  const own: Asked = {
    method: request.method,
    path: url.pathname,
    query: url.searchParams,
    body: text.startsWith('{') || text.startsWith('[') ? JSON.parse(text) : text || undefined,
  };
  asked.push(own);
  const found = answers.find(([method, path]) => method === own.method && path.test(own.path));
  const given = found ? (typeof found[2] === 'function' ? await found[2](own) : found[2]) : undefined;
  const told =
    given instanceof Refused ? given : found ? undefined : new Refused(404, 'There is no such thing.');
  return new Response(JSON.stringify(told ?? given), {
    status: told?.status ?? 200,
    headers: { 'Content-Type': told ? 'application/problem+json' : 'application/json' },
  });
}

/** What was asked with a method of a path that ends so. */
export const askedFor = (method: string, ending: string): Asked[] =>
  asked.filter((one) => one.method === method && one.path.endsWith(ending));

export function forgetAnswers(): void {
  answers = [];
  asked = [];
}
