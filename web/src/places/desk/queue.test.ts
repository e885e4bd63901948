// @vitest-environment node
import { describe, expect, it } from 'vitest';
import type { AlertItem } from '@/api/live';
import { NBSP } from '@/shared/units';
import { byCause, callsLately, fits, fuse, inOrder, isFlood, NO_FILTER, passes, together } from './queue';

function alert(id: string, more: Partial<AlertItem> = {}): AlertItem {
  return {
    id,
    vehicle: 'GX-05',
    position: '2LO',
    kind: 'UNDER_PRESSURE',
    urgency: 'BEFORE_NEXT_TRIP',
    state: 'NEW',
    openedAt: '2026-11-20T06:00:00Z',
    updatedAt: '2026-11-20T06:00:00Z',
    history: [{ at: '2026-11-20T06:00:00Z', kind: 'UNDER_PRESSURE', urgency: 'BEFORE_NEXT_TRIP' }],
    summary: '',
    advice: '',
    version: 1,
    hasJob: false,
    ...more,
  };
}

describe('the queue', () => {
  it('goes by instruction, then by what is new, then by the time left, then by age', () => {
    const sorted = inOrder([
      alert('planned', { urgency: 'PLAN' }),
      alert('seen', { state: 'ACKNOWLEDGED', openedAt: '2026-11-20T01:00:00Z' }),
      alert('young', { openedAt: '2026-11-20T05:00:00Z' }),
      alert('old', { openedAt: '2026-11-20T02:00:00Z' }),
      alert('burning', { minutesToCritical: 30, openedAt: '2026-11-20T06:00:00Z' }),
      alert('stop', { urgency: 'STOP_NOW', state: 'ACKNOWLEDGED' }),
    ]);
    expect(sorted.map((a) => a.id)).toEqual(['stop', 'burning', 'old', 'young', 'seen', 'planned']);
  });

  it('begins with a driver who needs somebody, until somebody has it in hand', () => {
    const driver = { at: '2026-11-20T06:05:00Z', who: 'tansley', words: 'needs help', isUrgent: true };
    const sorted = inOrder([
      alert('stop', { urgency: 'STOP_NOW' }),
      alert('helped', { driver, state: 'IN_HAND' }),
      alert('stopped', { driver: { ...driver, words: 'has stopped', isUrgent: false } }),
      alert('help', { driver, urgency: 'PLAN' }),
    ]);
    expect(sorted.map((a) => a.id)).toEqual(['help', 'stop', 'stopped', 'helped']);
  });

  it('puts the cold vehicles of a depot under one line, and leaves a single one where it is', () => {
    const cold = (id: string, vehicle: string) =>
      alert(id, { kind: 'WEATHER_LOW', urgency: 'PLAN', vehicle });
    const depots: Record<string, string> = { A: 'High Tarn', B: 'High Tarn', C: 'Larkmoor' };
    const alerts = [alert('leak'), cold('1', 'A'), cold('2', 'B'), cold('3', 'C'), cold('4', 'nowhere')];
    const { alerts: rest, groups } = together(alerts, (vehicle) => depots[vehicle], false);
    expect(rest.map((a) => a.id)).toEqual(['leak', '3', '4']);
    expect(groups.map((one) => [one.title, one.alerts.length])).toEqual([['Cold weather at High Tarn', 2]]);
  });

  it('counts the fuse down to when the second limit is reached', () => {
    const burning = alert('a', { minutesToCritical: 60, criticalAt: '2026-11-20T07:00:00Z' });
    expect(fuse(burning, new Date('2026-11-20T06:15:00Z'))).toEqual({
      words: `45${NBSP}min left`,
      percent: 6.25,
    });
    expect(fuse(burning, new Date('2026-11-20T07:30:00Z'))?.words).toBe('now');
  });

  it('has no fuse where there is no forecast, or where the readings are back in band', () => {
    expect(fuse(alert('a', { minutesToCritical: null }), new Date())).toBeUndefined();
    expect(fuse(alert('a', { minutesToCritical: 5, state: 'RECOVERED' }), new Date())).toBeUndefined();
  });
});

describe('a filter', () => {
  const low = {
    vehicle: 'GX-05',
    position: '2LO',
    summary: 'Axle 2 left outer',
    urgency: 'PLAN',
    state: 'NEW',
  } as AlertItem;
  const held = { ...low, state: 'SHELVED' } as AlertItem;
  const stop = { ...held, urgency: 'STOP_NOW' } as AlertItem;

  it('lets through what fits', () => {
    expect(passes(low, NO_FILTER, 'Larkmoor')).toBe(true);
    expect(passes(low, { ...NO_FILTER, text: '2lo' }, 'Larkmoor')).toBe(true);
    expect(passes(low, { ...NO_FILTER, text: 'BV' }, 'Larkmoor')).toBe(false);
    expect(passes(low, { ...NO_FILTER, depot: 'High Tarn' }, 'Larkmoor')).toBe(false);
    expect(passes({ ...low, state: 'ACKNOWLEDGED' }, { ...NO_FILTER, show: 'NEW' }, null)).toBe(false);
  });

  it('shows what was put aside only when that is asked for', () => {
    expect(passes(held, NO_FILTER, null)).toBe(false);
    expect(passes(held, { ...NO_FILTER, show: 'ASIDE' }, null)).toBe(true);
    expect(passes(low, { ...NO_FILTER, show: 'ASIDE' }, null)).toBe(false);
  });

  it('never hides a stop now', () => {
    expect(passes(stop, { text: 'nothing like it', depot: 'High Tarn', show: 'NEW' }, 'Larkmoor')).toBe(true);
  });
});

describe('alerts of one cause', () => {
  it('stand behind the one that is counted for them, over several steps', () => {
    const first = alert('first', { urgency: 'NEXT_STOP' });
    const { alerts, behind } = byCause([
      first,
      alert('second', { sameCauseAs: 'first' }),
      alert('third', { sameCauseAs: 'second' }),
      alert('alone'),
    ]);
    expect(alerts.map((a) => a.id)).toEqual(['first', 'alone']);
    expect(behind.get('first')?.map((a) => a.id)).toEqual(['second', 'third']);
  });

  it('stand by themselves where the other is not there, and where they say stop now', () => {
    const { alerts, behind } = byCause([
      alert('orphan', { sameCauseAs: 'closed' }),
      alert('stop', { urgency: 'STOP_NOW' }),
      alert('stop too', { urgency: 'STOP_NOW', sameCauseAs: 'stop' }),
    ]);
    expect(alerts).toHaveLength(3);
    expect(behind.size).toBe(0);
  });
});

describe('what may be done to an alert', () => {
  it('goes by its state, and a stop now is not put aside', () => {
    expect(fits('ACKNOWLEDGE', alert('a'))).toBe(true);
    expect(fits('ACKNOWLEDGE', alert('a', { state: 'IN_HAND' }))).toBe(false);
    expect(fits('TAKE_IN_HAND', alert('a', { state: 'RECOVERED' }))).toBe(false);
    expect(fits('SHELVE', alert('a'))).toBe(true);
    expect(fits('SHELVE', alert('a', { urgency: 'STOP_NOW' }))).toBe(false);
    expect(fits('CLOSE', alert('a', { state: 'CLOSED' }))).toBe(false);
    expect(fits('REOPEN', alert('a', { state: 'CLOSED' }))).toBe(true);
    expect(fits('STAND_ALONE', alert('a'))).toBe(false);
    expect(fits('STAND_ALONE', alert('a', { sameCauseAs: 'b' }))).toBe(true);
  });
});

describe('a flood', () => {
  const now = new Date('2026-11-20T06:00:00Z');
  const minutesAgo = (minutes: number) => new Date(now.getTime() - minutes * 60_000).toISOString();

  it('begins above ten in ten minutes and ends below five', () => {
    expect(isFlood(10, false)).toBe(false);
    expect(isFlood(11, false)).toBe(true);
    expect(isFlood(5, true)).toBe(true);
    expect(isFlood(4, true)).toBe(false);
  });

  it('counts what opened, came back or grew lately', () => {
    const step = { kind: 'SLOW_LEAK', urgency: 'NEXT_STOP' } as const;
    const calls = [
      alert('old', { openedAt: minutesAgo(30), history: [{ ...step, at: minutesAgo(30) }] }),
      alert('grown', { openedAt: minutesAgo(30), history: [{ ...step, at: minutesAgo(3) }] }),
      alert('new', { openedAt: minutesAgo(1), history: [{ ...step, at: minutesAgo(1) }] }),
    ];
    expect(callsLately(calls, now)).toBe(2);
  });

  it('lets stand together what is alike at a depot, and never what says stop now', () => {
    const silent = { kind: 'SENSOR_SILENT' } as const;
    const many = [
      alert('1', silent),
      alert('2', silent),
      alert('3', { ...silent, urgency: 'STOP_NOW' }),
      alert('4', { ...silent, urgency: 'STOP_NOW' }),
      alert('5', { kind: 'SLOW_LEAK' }),
    ];
    const { alerts, groups } = together(many, () => 'Larkmoor', true);
    expect(alerts.map((a) => a.id)).toEqual(['3', '4', '5']);
    expect(groups.map((group) => [group.title, group.alerts.length])).toEqual([
      ['Sensor silent at Larkmoor', 2],
    ]);
    expect(together(many, () => 'Larkmoor', false).groups).toEqual([]);
  });
});
