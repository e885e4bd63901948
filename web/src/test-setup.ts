import { afterEach } from 'vitest';
import { ask, forgetAnswers } from './test/server';

/** jsdom has no layout, so it has no ResizeObserver; ours only needs to exist. */
class NoResizeObserver implements ResizeObserver {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}

/** A page's addresses begin at its own server; Node's need a whole one. */
class RequestOfAPage extends Request {
  constructor(input: RequestInfo | URL, init?: RequestInit) {
    super(typeof input === 'string' ? new URL(input, 'http://localhost') : input, init);
  }
}

/** Tests of mere reckoning run without a page. */
if (typeof window !== 'undefined') {
  globalThis.ResizeObserver = NoResizeObserver;
  globalThis.Request = RequestOfAPage;
  globalThis.fetch = ask;
  Element.prototype.scrollIntoView ??= () => undefined;
  window.matchMedia ??= (query: string) =>
    Object.assign(new EventTarget(), {
      matches: query.includes('min-width') || query.includes('width >='),
      media: query,
      onchange: null,
      addListener: () => undefined,
      removeListener: () => undefined,
    }) as unknown as MediaQueryList;
  // What is mounted reads its words as in the application.
  const { config } = await import('@vue/test-utils');
  const { words } = await import('./shared/words');
  config.global.plugins.push(words);
}

afterEach(forgetAnswers);
