import { mount } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useAttempt } from './shared/useAttempt';
import WaitingNote from './WaitingNote.vue';

describe('the note of what is under way', () => {
  beforeEach(() => {
    vi.useFakeTimers();
  });
  afterEach(() => {
    vi.useRealTimers();
  });

  it('says how far it is, where that can be known', async () => {
    const note = mount(WaitingNote);
    let far = 0;
    let done: () => void = () => undefined;
    const work = useAttempt().attempt(() => new Promise<void>((resolve) => (done = resolve)), 'Bringing in', {
      howFar: () => Promise.resolve(`${String(++far)} of 3 vehicles`),
    });
    await vi.advanceTimersByTimeAsync(2_100);
    expect(note.text()).toBe('Bringing in … 2 of 3 vehicles, 2 s');
    done();
    await work;
    await vi.advanceTimersByTimeAsync(300);
    expect(note.text()).toBe('');
  });

  it('stands from the first second until it is done, also when that fails', async () => {
    const note = mount(WaitingNote);
    const { attempt } = useAttempt();
    let fail: (e: Error) => void = () => undefined;
    const done = attempt(
      () =>
        new Promise((_, reject) => {
          fail = reject;
        }),
      'Bringing in 3 vehicles',
    );
    await vi.advanceTimersByTimeAsync(900);
    expect(note.text()).toBe('');
    await vi.advanceTimersByTimeAsync(1_200);
    expect(note.text()).toBe('Bringing in 3 vehicles … 2 s');
    fail(new Error('no'));
    await done;
    await vi.advanceTimersByTimeAsync(300);
    expect(note.text()).toBe('');
  });
});
