import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { createMemoryHistory, createRouter } from 'vue-router';
import { openLostPages } from './lostPage';

const Page = { template: '<p>here</p>' };

function lostRouter() {
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: '/desk', component: Page },
      {
        path: '/vehicles',
        component: () => Promise.reject(new TypeError('Failed to fetch dynamically imported module: /a.js')),
      },
      { path: '/broken', component: () => Promise.reject(new Error('something else')) },
    ],
  });
  const opened: string[] = [];
  openLostPages(router, (path) => opened.push(path));
  return { router, opened };
}

describe('a page whose script could not be fetched', () => {
  let isThere = false;

  beforeEach(() => {
    isThere = false;
    vi.useFakeTimers();
    vi.stubGlobal('fetch', () =>
      isThere ? Promise.resolve({ ok: true }) : Promise.reject(new TypeError('no line')),
    );
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });

  it('is opened once the server answers', async () => {
    const { router, opened } = lostRouter();
    await expect(router.push('/vehicles')).rejects.toThrow('imported module');

    await vi.advanceTimersByTimeAsync(10_000);
    expect(opened).toEqual([]);
    isThere = true;
    await vi.advanceTimersByTimeAsync(2_500);

    expect(opened).toEqual(['/vehicles']);
  });

  it('is let be when its reader has gone elsewhere', async () => {
    const { router, opened } = lostRouter();
    await expect(router.push('/vehicles')).rejects.toThrow();
    await router.push('/desk');

    isThere = true;
    await vi.advanceTimersByTimeAsync(10_000);

    expect(opened).toEqual([]);
  });

  it('is not what another fault is taken for', async () => {
    const { router, opened } = lostRouter();
    isThere = true;
    await expect(router.push('/broken')).rejects.toThrow('something else');

    await vi.advanceTimersByTimeAsync(10_000);

    expect(opened).toEqual([]);
  });
});
