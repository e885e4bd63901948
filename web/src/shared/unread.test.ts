// @vitest-environment node
import { effectScope, nextTick, ref } from 'vue';
import { describe, expect, it, vi } from 'vitest';
import { useAttempt } from './useAttempt';
import { unreadWords, useUnread } from './unread';

describe('a field that cannot be read', () => {
  it('holds back whatever would be done beside it, and is named', async () => {
    const scope = effectScope();
    const label = ref<string | undefined>('First limit');
    scope.run(() => useUnread(label));
    const work = vi.fn(() => Promise.resolve());
    const { attempt, trouble } = useAttempt();

    expect(await attempt(work)).toBe(false);
    expect(work).not.toHaveBeenCalled();
    expect(trouble.value).toContain('First limit');

    label.value = undefined;
    await nextTick();
    expect(await attempt(work)).toBe(true);
    expect(work).toHaveBeenCalledOnce();
    scope.stop();
  });

  it('is spoken of in the words of its page, where that has some', () => {
    const scope = effectScope();
    scope.run(() => useUnread('Drehmoment', () => 'Eine Zahl eintragen.'));
    expect(unreadWords()).toBe('Eine Zahl eintragen.');
    scope.stop();
  });

  it('is forgotten with the page it stood on', () => {
    const scope = effectScope();
    scope.run(() => useUnread('Air outside'));
    expect(unreadWords()).toContain('Air outside');
    scope.stop();
    expect(unreadWords()).toBe('');
  });
});
