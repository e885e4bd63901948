import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query';
import { flushPromises, mount, type VueWrapper } from '@vue/test-utils';
import { afterEach } from 'vitest';
import { type Component, h } from 'vue';
import { createMemoryHistory, createRouter, type Router } from 'vue-router';
import { loadSession, type Session } from '@/api/session';
import type { Role } from '@/api/team';
import { router as real } from '@/router';
import { answered } from './server';

export interface Page {
  wrapper: VueWrapper;
  router: Router;
  queries: QueryClient;
}

export const session = (role: Role = 'MANAGER', more: object = {}): Session =>
  ({
    account: {
      userName: 'wren',
      displayName: 'A. Wren',
      role,
      preferences: { pressureUnit: 'KPA', temperatureUnit: 'CELSIUS', theme: 'PAPER', language: 'EN' },
      ...more,
    },
    isSetUpDue: false,
    demoAccounts: [],
  }) as unknown as Session;

const open: VueWrapper[] = [];

afterEach(() => {
  for (const wrapper of open.splice(0)) wrapper.unmount();
  document.body.innerHTML = '';
  localStorage.clear();
});

/** Mounts a page as it stands in the product: within main, at its address, with somebody signed in. */
export async function mountPage(
  component: Component,
  { at = '/desk', props = {}, role = 'MANAGER' as Role, account = {} } = {},
): Promise<Page> {
  answered({ 'GET /api/v1/session': session(role, account) });
  await loadSession();
  const router = createRouter({ history: createMemoryHistory(), routes: [...real.options.routes] });
  await router.push(at);
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: 5_000 } } });
  const main = document.createElement('main');
  document.body.append(main);
  const wrapper = mount(
    { render: () => h(component, props) },
    { attachTo: main, global: { plugins: [router, [VueQueryPlugin, { queryClient: queries }]] } },
  );
  open.push(wrapper);
  await settled();
  return { wrapper, router, queries };
}

/** Lets answers come and the page be drawn anew. */
export async function settled(): Promise<void> {
  for (let i = 0; i < 4; i++) {
    await flushPromises();
    await new Promise((resolve) => setTimeout(resolve));
  }
}

/** All words of the page, dialogs too, with plain spaces. */
export const words = (): string => (document.body.textContent ?? '').replace(/[\s\u00a0\u202f]+/g, ' ');

const labelOf = (element: Element): string =>
  (element.getAttribute('aria-label') ?? element.textContent ?? '').replace(/[\s\u00a0]+/g, ' ').trim();

/** The button, link, tab or choice that is called so, or begins so. */
export function named(
  name: string | RegExp,
  kinds = 'button, a, summary, [role=radio], [role=tab]',
): HTMLElement {
  const fits = (label: string) =>
    typeof name === 'string' ? label === name || label.startsWith(`${name} `) : name.test(label);
  const found = [...document.querySelectorAll<HTMLElement>(kinds)].filter((one) => fits(labelOf(one)));
  const [first] = found;
  if (!first)
    throw new Error(
      `nothing is called ${String(name)}; there is: ${[...document.querySelectorAll(kinds)].map(labelOf).join(' | ')}`,
    );
  return first;
}

export async function press(name: string | RegExp): Promise<void> {
  named(name).click();
  await settled();
}

/** The field whose label begins so. */
export function field(label: string): HTMLInputElement {
  const byLabel = [...document.querySelectorAll<HTMLLabelElement>('label')].find((one) =>
    labelOf(one).startsWith(label),
  );
  const found =
    (byLabel?.htmlFor
      ? document.getElementById(byLabel.htmlFor)
      : byLabel?.querySelector('input, textarea, select')) ??
    document.querySelector(`[aria-label^="${label}"]`);
  if (!found) throw new Error(`no field is called ${label}`);
  return found as HTMLInputElement;
}

export async function fill(label: string, text: string): Promise<void> {
  const own = field(label);
  own.focus();
  own.value = text;
  own.dispatchEvent(new Event('input', { bubbles: true }));
  own.dispatchEvent(new Event('change', { bubbles: true }));
  own.blur();
  await settled();
}

/** Presses a key wherever the focus is, as a browser does: nothing is pressed in what cannot be reached. */
export function key(name: string, more: KeyboardEventInit = {}): void {
  const at = document.activeElement ?? document.body;
  at.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true, ...more }));
}
