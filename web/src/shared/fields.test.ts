import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import NumberField from './NumberField.vue';
import PressureField from './PressureField.vue';
import TemperatureField from './TemperatureField.vue';
import { unreadWords } from './unread';

describe('a field', () => {
  it.each([
    ['pressure', PressureField, '-5', 'Write a pressure'],
    ['pressure', PressureField, '99999999', 'Write a pressure'],
    ['pressure', PressureField, '900 bar', 'Write a pressure'],
    ['temperature', TemperatureField, '99999999', 'Write a temperature'],
    ['temperature', TemperatureField, '-200', 'Write a temperature'],
    ['number', NumberField, '-1', 'from 0 to 10,000,000'],
  ])('refuses a %s that nothing has beside itself and keeps it: %s', async (_, kind, text, words) => {
    const one = mount(kind as typeof NumberField, { props: { label: 'One', modelValue: 12 } });

    await one.get('input').setValue(text);
    await one.get('input').trigger('blur');

    expect(one.get('input').element.value).toBe(text);
    expect(one.get('input').attributes('aria-invalid')).toBe('true');
    expect(one.text()).toContain(words);
    expect(unreadWords()).toContain('One');
    one.unmount();
  });

  it('takes a number within its own bounds', async () => {
    const one = mount(NumberField, {
      props: { label: 'Height', unit: 'm', least: -500, most: 9000, modelValue: 0 },
    });

    await one.get('input').setValue('-30');
    expect(one.emitted('update:modelValue')?.at(-1)).toEqual([-30]);

    await one.get('input').setValue('9999');
    expect(one.text()).toContain('from -500 to 9,000, in m');
    one.unmount();
  });

  it('takes a difference of pressures below nothing', async () => {
    const one = mount(PressureField, { props: { label: 'By', isDifference: true, modelValue: 0 } });

    await one.get('input').setValue('-20');

    expect(one.emitted('update:modelValue')?.at(-1)).toEqual([-20]);
    one.unmount();
  });
});
