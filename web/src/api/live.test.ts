import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { connection, listen, type AlertItem, type WheelEvent } from './live';

/** jsdom has no EventSource; this one says what the test tells it to. */
class FakeEventSource {
  static readonly CLOSED = 2;
  static all: FakeEventSource[] = [];
  readyState = 0;
  private readonly listeners = new Map<string, (event: Event) => void>();

  constructor(readonly url: string) {
    FakeEventSource.all.push(this);
  }

  addEventListener(name: string, listener: (event: Event) => void): void {
    this.listeners.set(name, listener);
  }

  dispatchEvent(event: Event): void {
    this.listeners.get(event.type)?.(event);
  }

  close(): void {
    this.readyState = FakeEventSource.CLOSED;
  }

  say(name: string, data: unknown): void {
    this.dispatchEvent(new MessageEvent(name, { data: JSON.stringify(data) }));
  }
}

describe('listening', () => {
  const onAlerts = vi.fn<(alerts: AlertItem[]) => void>();
  const onWheels = vi.fn<(wheels: WheelEvent[]) => void>();
  const onOpen = vi.fn<() => void>();
  const onRefused = vi.fn<() => void>();
  let stop: () => void;
  const source = () => FakeEventSource.all.at(-1) as FakeEventSource;

  beforeEach(() => {
    vi.useFakeTimers();
    vi.stubGlobal('EventSource', FakeEventSource);
    FakeEventSource.all = [];
    [onAlerts, onWheels, onOpen, onRefused].forEach((spy) => spy.mockReset());
    stop = listen({ onAlerts, onWheels, onOpen, onRefused });
  });

  afterEach(() => {
    stop();
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });

  it('gathers what comes within a moment, the newest of each wheel', () => {
    source().say('wheel', { vehicle: 'A', position: '1L', pressureKpa: 800 });
    source().say('wheel', { vehicle: 'A', position: '1L', pressureKpa: 790 });
    source().say('wheel', { vehicle: 'A', position: '1R', pressureKpa: 801 });
    source().say('alert', { id: '7' });
    expect(onWheels).not.toHaveBeenCalled();

    vi.advanceTimersByTime(300);

    expect(onWheels).toHaveBeenCalledTimes(1);
    expect(onWheels.mock.calls[0]?.[0].map((wheel) => wheel.pressureKpa)).toEqual([790, 801]);
    expect(onAlerts.mock.calls[0]?.[0].map((alert) => alert.id)).toEqual(['7']);
  });

  it('asks afresh whenever it opens, and says since when the picture is old', () => {
    source().dispatchEvent(new Event('open'));
    expect(connection.value.state).toBe('live');
    // What happened between the page's first questions and now would be missed otherwise.
    expect(onOpen).toHaveBeenCalledTimes(1);

    vi.setSystemTime(new Date('2026-11-20T06:00:00Z'));
    source().dispatchEvent(new Event('error'));
    vi.setSystemTime(new Date('2026-11-20T06:05:00Z'));
    source().dispatchEvent(new Event('error'));
    expect(connection.value).toEqual({ state: 'lost', since: new Date('2026-11-20T06:00:00Z') });

    source().dispatchEvent(new Event('open'));
    expect(connection.value.state).toBe('live');
    expect(onOpen).toHaveBeenCalledTimes(2);
  });

  it('opens another stream where the browser gave up, and asks whether the session is over', () => {
    source().dispatchEvent(new Event('error'));
    expect(onRefused).not.toHaveBeenCalled();

    source().readyState = FakeEventSource.CLOSED;
    source().dispatchEvent(new Event('error'));
    expect(FakeEventSource.all).toHaveLength(1);
    expect(onRefused).toHaveBeenCalledTimes(1);

    vi.advanceTimersByTime(3_000);

    expect(FakeEventSource.all).toHaveLength(2);
  });

  it('says so at once when the device is offline, and opens again when it is not', () => {
    source().dispatchEvent(new Event('open'));

    window.dispatchEvent(new Event('offline'));
    expect(connection.value.state).toBe('lost');
    expect(source().readyState).toBe(FakeEventSource.CLOSED);

    window.dispatchEvent(new Event('online'));
    source().dispatchEvent(new Event('open'));
    expect(FakeEventSource.all).toHaveLength(2);
    expect(connection.value.state).toBe('live');
  });

  it('asks when it has heard nothing for long, since a dead line looks like a quiet fleet', async () => {
    const ask = vi.fn<() => Promise<Response>>().mockResolvedValue(new Response());
    vi.stubGlobal('fetch', ask);
    source().dispatchEvent(new Event('open'));

    await vi.advanceTimersByTimeAsync(29_000);
    expect(ask).not.toHaveBeenCalled();
    source().say('wheel', { vehicle: 'A', position: '1L', pressureKpa: 800 });
    await vi.advanceTimersByTimeAsync(29_000);
    expect(ask).not.toHaveBeenCalled();
    await vi.advanceTimersByTimeAsync(2_000);
    expect(ask).toHaveBeenCalledTimes(1);
    expect(connection.value.state).toBe('live');

    ask.mockRejectedValue(new TypeError('no network'));
    await vi.advanceTimersByTimeAsync(31_000);
    expect(connection.value.state).toBe('lost');
    expect(FakeEventSource.all).toHaveLength(2);
  });
});
