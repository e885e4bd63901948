import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query';
import { flushPromises, mount } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { h } from 'vue';
import { http } from './client';
import { useVehiclesFromTheFirst } from './fleet';

const line = (ref: string) => ({
  ref,
  kind: 'BUS',
  state: 'IN_SERVICE',
  layout: 0,
  sensors: [],
  heard: [],
  temperatures: [],
  deviations: [],
  conditions: {},
  urgencies: {},
  alerts: [],
  departure: { verdict: 'MAY_LEAVE', reasons: [] },
});

/** A server with so many vehicles; gives the addresses that it was asked. */
function serve(total: number): string[] {
  const asked: string[] = [];
  const get = (path: string, init?: { params?: { query?: { limit?: string } } }) => {
    const limit = init?.params?.query?.limit;
    asked.push(limit ? `${path}?limit=${limit}` : path);
    const items = Array.from({ length: Math.min(total, Number(limit ?? total)) }, (_, i) => line(`V-${i}`));
    const layouts = [{ axles: [], positions: [] }];
    const data = { at: '2026-11-20T06:00:00Z', total, wheels: 0, layouts, items };
    return Promise.resolve({ data, response: new Response() });
  };
  vi.spyOn(http, 'GET').mockImplementation(get as unknown as typeof http.GET);
  return asked;
}

describe('the list of vehicles', () => {
  beforeEach(() => {
    vi.useFakeTimers();
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.restoreAllMocks();
  });

  const page = () =>
    mount(
      {
        setup() {
          const { data, isWhole } = useVehiclesFromTheFirst(2);
          return () => h('p', `${data.value?.items.length} of ${data.value?.total}, ${isWhole.value}`);
        },
      },
      {
        global: {
          plugins: [
            [
              VueQueryPlugin,
              { queryClient: new QueryClient({ defaultOptions: { queries: { staleTime: 5_000 } } }) },
            ],
          ],
        },
      },
    );

  async function wait(): Promise<void> {
    for (let i = 0; i < 4; i++) {
      await flushPromises();
      await vi.advanceTimersByTimeAsync(20);
    }
  }

  it('begins with the first, and then has them all', async () => {
    const asked = serve(5);
    const seen: string[] = [];
    const list = page();
    for (let i = 0; i < 8; i++) {
      await flushPromises();
      seen.push(list.text());
      await vi.advanceTimersByTimeAsync(20);
    }
    expect(asked).toEqual(['/api/v1/vehicle-lines?limit=2', '/api/v1/vehicle-lines']);
    expect(seen).toContain('2 of 5, false');
    expect(seen.at(-1)).toBe('5 of 5, true');
  });

  it('is asked for once where it has no more than the first', async () => {
    const asked = serve(2);
    const list = page();
    await wait();
    await wait();
    expect(asked).toEqual(['/api/v1/vehicle-lines?limit=2']);
    expect(list.text()).toBe('2 of 2, true');
  });
});
