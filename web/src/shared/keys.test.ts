import { mount } from '@vue/test-utils';
import { afterEach, describe, expect, it } from 'vitest';
import { h, nextTick, ref, type Component, type VNode } from 'vue';
import { holdKeys, isCovered, keysHere, onKey, useKeys } from './keys';

const part = (begin: () => void, children: () => VNode[] = () => []): Component => ({
  setup() {
    begin();
    return () => h('div', children());
  },
});
const Chart = part(() => useKeys('A chart', [['+', 'closer']]));
const parts = () => keysHere.value.map((own) => own.part);

describe('the keys of a page', () => {
  afterEach(() => (document.body.innerHTML = ''));

  it('are there as long as what they belong to, each part once', () => {
    const first = mount(Chart);
    const second = mount(Chart);
    expect(parts()).toEqual(['A chart']);
    first.unmount();
    expect(parts()).toEqual(['A chart']);
    second.unmount();
    expect(parts()).toEqual([]);
  });

  it('act, but not where somebody types, nor while anything is open above the page', async () => {
    let times = 0;
    const isAsking = ref(false);
    mount(
      part(
        () => onKey('a', () => times++),
        () => [
          h('button'),
          h('input'),
          h('div', { role: 'img' }, h('a')),
          isAsking.value ? h('div', { role: 'dialog' }) : h('p'),
        ],
      ),
      { attachTo: document.body },
    );
    const press = (selector: string, more: KeyboardEventInit = {}) =>
      document
        .querySelector(selector)
        ?.dispatchEvent(new KeyboardEvent('keydown', { key: 'a', bubbles: true, ...more }));
    press('button');
    expect(times).toBe(1);
    press('input');
    press('[role=img]');
    press('button', { ctrlKey: true });
    press('button', { isComposing: true });
    expect(times).toBe(1);
    isAsking.value = true;
    await nextTick();
    press('button');
    press('body');
    expect(times).toBe(1);
    isAsking.value = false;
    await nextTick();
    press('button');
    expect(times).toBe(2);
  });

  it('wait for what is about to open, and go on where it does not', async () => {
    let times = 0;
    mount(
      part(() => onKey('a', () => times++)),
      { attachTo: document.body },
    );
    const press = () =>
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'a', bubbles: true }));
    let open: () => void = () => undefined;
    const held = holdKeys(new Promise<void>((resolve) => (open = resolve)));
    press();
    expect(isCovered()).toBe(true);
    open();
    await held;
    press();
    const refused = holdKeys(Promise.reject(new Error('refused')));
    press();
    await expect(refused).rejects.toThrow('refused');
    press();
    expect(times).toBe(2);
  });
});
