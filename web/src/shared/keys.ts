import { onKeyStroke } from '@vueuse/core';
import { computed, onBeforeUnmount, onMounted, shallowReactive } from 'vue';

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

/** Acts on a key, but not while somebody types, answers a dialog or reads a chart. */
export function onKey(key: string, act: () => void): void {
  onKeyStroke(key, (event) => {
    const target = event.target as HTMLElement;
    const isTyping =
      target.matches('input:not([type=checkbox]), textarea, select') ||
      target.closest('[role="dialog"], [role="menu"]');
    if (isTyping || target.matches('[role="img"]') || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    act();
  });
}
