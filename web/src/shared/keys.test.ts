import { mount } from '@vue/test-utils';
import { afterEach, describe, expect, it } from 'vitest';
import { h, type Component, type VNode } from 'vue';
import { keysHere, onKey, useKeys } from './keys';

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

  it('act, but not where somebody types or answers', () => {
    let times = 0;
    mount(
      part(
        () => onKey('a', () => times++),
        () => [h('button'), h('input'), h('div', { role: 'dialog' }, h('a'))],
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
    press('a');
    press('button', { ctrlKey: true });
    expect(times).toBe(1);
  });
});
