import { computed, nextTick, onBeforeUnmount, onMounted, shallowReactive } from 'vue';

/** Keys and what each does, of one part of a page. */
export interface KeysOf {
  part: string;
  keys: readonly (readonly [key: string, what: string])[];
}

const there = shallowReactive(new Set<KeysOf>());

/** The keys of what is on the page now; parts that are there several times are named once. */
export const keysHere = computed(() => [...new Map([...there].map((own) => [own.part, own])).values()]);

/** Says which keys a part of the page has, while it is there. */
export function useKeys(part: string, keys: KeysOf['keys']): void {
  const own = { part, keys };
  onMounted(() => there.add(own));
  onBeforeUnmount(() => there.delete(own));
}

/** What lies above a page while it is open: dialogs and menus. */
const ABOVE = '[role="dialog"], [role="alertdialog"], [role="menu"], dialog[open]';

const TYPED_INTO =
  'input:not([type=checkbox], [type=radio], [type=button]), textarea, select, [contenteditable]';

let opening = 0;

/** Lets no key of the page act until something that was asked for has opened, or has not. */
export async function holdKeys(opened: Promise<unknown>): Promise<void> {
  opening++;
  try {
    await opened;
    await nextTick();
  } finally {
    opening--;
  }
}

/** Whether anything is open above the page, or about to open: wherever the focus is, keys are for that then. */
export const isCovered = (): boolean => opening > 0 || document.querySelector(ABOVE) !== null;

const listeners = new Set<(event: KeyboardEvent) => void>();

/** The one listener for the keys of a page: asks once whether they are the page's at all. */
function onKeydown(event: KeyboardEvent): void {
  const target = event.target instanceof Element ? event.target : document.body;
  if (event.isComposing || target.matches(TYPED_INTO) || target.matches('[role="img"]')) return;
  if (event.defaultPrevented || isCovered()) return;
  for (const listener of [...listeners]) {
    if (!event.defaultPrevented) listener(event);
  }
}

/**
 * Listens to the keys of a page, while the part that asks for it is there. The one way to do so: nothing is heard while
 * something is open above the page, while somebody types, composes a letter or reads a chart, nor what another part has taken.
 */
export function onPageKeys(act: (event: KeyboardEvent) => void): void {
  onMounted(() => {
    if (!listeners.size) window.addEventListener('keydown', onKeydown);
    listeners.add(act);
  });
  onBeforeUnmount(() => {
    listeners.delete(act);
    if (!listeners.size) window.removeEventListener('keydown', onKeydown);
  });
}

const isShortcut = (event: KeyboardEvent) => event.ctrlKey || event.metaKey || event.altKey;

/** Acts on a key of the page, pressed alone. */
export function onKey(key: string, act: () => void): void {
  onPageKeys((event) => {
    if (event.key !== key || isShortcut(event)) return;
    event.preventDefault();
    act();
  });
}
