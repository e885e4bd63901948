import { QueryClient, QueryObserver } from '@tanstack/vue-query';
import { describe, expect, it, vi } from 'vitest';
import type { VehicleGlance, VehicleList } from './fleet';
import { takeAlerts, withAlerts, withWheels } from './fleet';
import type { AlertItem, WheelEvent } from './live';

const alert = (id: string, state: AlertItem['state']) => ({ id, state }) as AlertItem;

function list(): VehicleList {
  const vehicle = (ref: string): VehicleGlance => ({
    ref,
    kind: 'BUS',
    state: 'IN_SERVICE',
    axles: [],
    alerts: [],
    departure: { verdict: 'MAY_LEAVE' as const, reasons: [] },
    lastHeardAt: '2026-11-20T06:00:00Z',
    wheels: [
      { position: '1L', condition: 'OK' },
      { position: '1R', condition: 'OK' },
    ],
    sensors: [null, null],
  });
  return { at: '2026-11-20T06:00:00Z', total: 2, totalWheels: 4, items: [vehicle('A'), vehicle('B')] };
}

describe('what the stream brings', () => {
  it('adds, changes and takes away alerts', () => {
    const open = [alert('1', 'NEW'), alert('2', 'NEW')];
    const after = withAlerts(open, [alert('1', 'CLOSED'), alert('2', 'ACKNOWLEDGED'), alert('3', 'NEW')]);
    expect(after?.map((a) => [a.id, a.state])).toEqual([
      ['2', 'ACKNOWLEDGED'],
      ['3', 'NEW'],
    ]);
    expect(withAlerts(undefined, open)).toBeUndefined();
  });

  it('changes the wheels it speaks of and leaves other vehicles as they were', () => {
    const before = list();
    const state = {
      position: '1R',
      condition: 'HOT' as const,
      isClockWrong: false,
      at: '2026-11-20T06:05:00Z',
    };
    const event = { vehicle: 'B', position: '1R', condition: 'HOT', state } as WheelEvent;

    const after = withWheels(before, [event]);

    expect(after?.items[0]).toBe(before.items[0]);
    expect(after?.items[1]?.wheels[1]?.condition).toBe('HOT');
    expect(after?.items[1]?.wheels[0]).toBe(before.items[1]?.wheels[0]);
    expect(after?.items[1]?.lastHeardAt).toBe('2026-11-20T06:05:00Z');
  });

  it('is not covered up by an answer that was under way', async () => {
    const client = new QueryClient();
    const answers: ((alerts: AlertItem[]) => void)[] = [];
    const queryFn = vi.fn(() => new Promise<AlertItem[]>((resolve) => answers.push(resolve)));
    const stop = new QueryObserver(client, { queryKey: ['alerts'], queryFn }).subscribe(() => undefined);

    takeAlerts(client, [alert('1', 'NEW')]);
    await vi.waitFor(() => expect(queryFn).toHaveBeenCalledTimes(2));
    answers[0]?.([]);
    answers[1]?.([alert('1', 'NEW')]);

    await vi.waitFor(() => expect(client.getQueryData<AlertItem[]>(['alerts'])).toHaveLength(1));
    stop();
    client.clear();
  });
});
