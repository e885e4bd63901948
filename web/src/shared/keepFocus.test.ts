import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { createMemoryHistory, createRouter } from 'vue-router';
import { followPages, keepFocus } from './keepFocus';

const find = (selector: string) => document.querySelector<HTMLElement>(selector);
/** Observers are told after the present piece of work. */
const settled = () => new Promise((resolve) => setTimeout(resolve));

describe('the focus', () => {
  let end: () => void;

  beforeEach(() => {
    document.body.innerHTML = `<main><h1>Depots</h1>
      <section><h2>Sallow Bridge</h2><form><button id="store">Store</button></form></section></main>`;
    end = keepFocus();
    find('#store')?.focus();
  });
  afterEach(() => {
    end();
    vi.useRealTimers();
  });

  it('goes to the heading of the part around what was taken away', async () => {
    find('form')?.remove();
    await settled();
    expect(document.activeElement?.textContent).toBe('Sallow Bridge');
  });

  it('goes further out where that part has gone too', async () => {
    find('section')?.remove();
    await settled();
    expect(document.activeElement?.textContent).toBe('Depots');
  });

  it('comes back to a button that was disabled for a moment', async () => {
    const store = find('#store') as HTMLButtonElement;
    store.disabled = true;
    store.blur();
    await settled();
    store.disabled = false;
    await settled();
    expect(document.activeElement).toBe(store);
  });

  it('does not wait for a button that stays disabled', async () => {
    vi.useFakeTimers();
    const store = find('#store') as HTMLButtonElement;
    store.disabled = true;
    store.blur();
    await vi.advanceTimersByTimeAsync(1_000);
    expect(document.activeElement?.textContent).toBe('Sallow Bridge');
  });

  it('is left alone where somebody pressed beside everything', async () => {
    find('main')?.dispatchEvent(new Event('pointerdown', { bubbles: true }));
    find('#store')?.blur();
    find('form')?.remove();
    await settled();
    expect(document.activeElement).toBe(document.body);
  });

  it('is at the heading of a page that was opened', async () => {
    const Page = { template: '<p>here</p>' };
    const router = createRouter({
      history: createMemoryHistory(),
      routes: [
        { path: '/desk', name: 'desk', component: Page },
        { path: '/office', name: 'office', component: Page },
      ],
    });
    followPages(router);
    await router.push('/desk');
    find('form')?.remove();
    end();
    (document.activeElement as HTMLElement).blur();
    await router.push('/office');
    await settled();
    expect(document.activeElement?.textContent).toBe('Depots');
  });
});
