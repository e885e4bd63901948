import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { parsePercent } from './quantity';
import TypedField from './TypedField.vue';
import { unreadWords } from './unread';

const field = (shown: string) =>
  mount(TypedField, {
    props: {
      label: 'First limit',
      shown,
      read: (text: string) => parsePercent(text) ?? 'A share, such as 11 %.',
    },
  });

describe('a typed field', () => {
  it('hands over what it means, a unit typed along too', async () => {
    const one = field('10');

    await one.get('input').setValue('11 %');

    expect(one.emitted('typed')).toEqual([[11]]);
    expect(unreadWords()).toBe('');
    one.unmount();
  });

  it('keeps what cannot be read, says so, and holds everything back', async () => {
    const one = field('10');

    await one.get('input').setValue('eleven');
    await one.setProps({ shown: '12' });

    expect(one.get('input').element.value).toBe('eleven');
    expect(one.get('input').attributes('aria-invalid')).toBe('true');
    expect(one.text()).toContain('A share, such as 11 %.');
    expect(one.emitted('typed')).toBeUndefined();
    expect(unreadWords()).toContain('First limit');
    one.unmount();
    expect(unreadWords()).toBe('');
  });

  it('shows what became of it', async () => {
    const one = field('10');

    await one.get('input').setValue('11.26');
    await one.setProps({ shown: '11.3' });

    expect(one.get('input').element.value).toBe('11.3');
    one.unmount();
  });

  it('stays chosen as a whole when another field changes what it shows', async () => {
    const one = mount(TypedField, {
      attachTo: document.body,
      props: { label: 'First limit', shown: '720', read: (text: string) => Number(text) },
    });
    const input = one.get('input').element;
    input.focus();
    input.select();

    await one.setProps({ shown: '680' });
    await one.vm.$nextTick();

    expect(input.value).toBe('680');
    expect([input.selectionStart, input.selectionEnd]).toEqual([0, 3]);
    one.unmount();
  });
});
