import { QueryClient } from '@tanstack/vue-query';
import { describe, expect, it } from 'vitest';
import { createMemoryHistory, createRouter } from 'vue-router';
import type { Session } from './api/session';
import { followLostSession } from './lostSession';

const Page = { template: '<p>here</p>' };
const NOBODY = { account: null } as unknown as Session;
const WREN = { account: { userName: 'wren' } } as unknown as Session;

async function at(path: string, answers: (Session | Error)[]) {
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: '/vehicles/:ref', component: Page },
      { path: '/sign-in', name: 'sign-in', component: Page, meta: { isOpen: true } },
    ],
  });
  await router.push(path);
  let asked = 0;
  const lost = followLostSession(router, new QueryClient(), () => {
    const next = answers[asked++];
    return next instanceof Error || !next
      ? Promise.reject(next ?? new Error('asked too often'))
      : Promise.resolve(next);
  });
  return { router, lost, times: () => asked };
}

describe('a session that is over', () => {
  it('is asked for anew, and leads back to where one was', async () => {
    const { router, lost } = await at('/vehicles/GX-05?wheel=2LO', [NOBODY]);
    await lost();
    expect(router.currentRoute.value.query.then).toBe('/vehicles/GX-05?wheel=2LO');
  });

  it('is asked for once, however many requests are refused', async () => {
    const { router, lost, times } = await at('/vehicles/GX-05', [NOBODY, NOBODY]);
    await Promise.all([lost(), lost(), lost()]);
    expect(times()).toBe(1);
    await lost();
    expect(router.currentRoute.value.query.then).toBe('/vehicles/GX-05');
  });

  it('is not over because a request of an earlier one comes back refused', async () => {
    const { router, lost } = await at('/vehicles/GX-05', [WREN]);
    await lost();
    expect(router.currentRoute.value.path).toBe('/vehicles/GX-05');
  });

  it('says nothing where the server cannot be asked', async () => {
    const { router, lost } = await at('/vehicles/GX-05', [new Error('no line')]);
    await lost();
    expect(router.currentRoute.value.path).toBe('/vehicles/GX-05');
  });
});
