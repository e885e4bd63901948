import { mount } from '@vue/test-utils';
import { expect, it } from 'vitest';
import { h, nextTick, ref, withDirectives } from 'vue';
import { vStacked } from './stacked';

it('names each cell after its column, also those of rows that come later', async () => {
  const rows = ref([['1L', '843']]);
  const table = mount({
    setup: () => () =>
      withDirectives(
        h('table', [
          h(
            'thead',
            h('tr', [
              h('th', 'Wheel'),
              h('th', ' Gauge, kPa '),
              h('th', h('span', { class: 'spoken' }, 'Do')),
            ]),
          ),
          h(
            'tbody',
            rows.value.map(([wheel, gauge]) =>
              h('tr', [h('th', wheel), h('td', gauge), h('td', h('button', 'Take off'))]),
            ),
          ),
        ]),
        [[vStacked]],
      ),
  });
  const labels = () => table.findAll('td').map((cell) => cell.attributes('data-label'));
  expect(labels()).toEqual(['Gauge, kPa', '']);
  rows.value = [...rows.value, ['1R', '851']];
  await nextTick();
  expect(labels()).toEqual(['Gauge, kPa', '', 'Gauge, kPa', '']);
  expect(table.classes()).toContain('stacked');
});
