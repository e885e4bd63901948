import type { Directive } from 'vue';

/** Letters of name and value that stand beside each other in half of a phone's width. */
const FITS_HALF = 22;

/** Gives each cell the name of its column, which a narrow screen shows before it. */
function name(table: HTMLElement): void {
  const columns = [...table.querySelectorAll('thead tr:last-child th')].map((head) => {
    // A column whose name is only spoken, as that of buttons, needs none beside them.
    const spoken = head.querySelector('.spoken')?.textContent ?? '';
    const whole = head.textContent ?? '';
    return whole.replace(spoken, '').trim() ? whole.trim().replace(/\s+/g, ' ') : '';
  });
  for (const row of table.querySelectorAll('tbody tr')) {
    [...row.children].forEach((cell, i) => {
      const label = cell.tagName === 'TD' && !cell.hasAttribute('colspan') ? (columns[i] ?? '') : '';
      if (cell.getAttribute('data-label') !== label) cell.setAttribute('data-label', label);
      cell.classList.toggle('is-long', label.length + (cell.textContent ?? '').trim().length > FITS_HALF);
    });
  }
}

/** A table that a narrow screen shows row under row, each value with its name, instead of cutting its columns off. */
export const vStacked: Directive<HTMLElement> = {
  mounted(table) {
    table.classList.add('stacked');
    name(table);
  },
  updated(table) {
    // A binding of the class would take ours away.
    table.classList.add('stacked');
    name(table);
  },
};
