import { unrefElement, useMutationObserver, type MaybeComputedElementRef } from '@vueuse/core';
import { nextTick, toValue, watch, type MaybeRefOrGetter } from 'vue';
import { focusOn } from './keepFocus';

/** What is typed into goes before what is chosen from, and that before what is pressed. */
const WANTED = [
  '[data-first]',
  'textarea:enabled, input:enabled:not([type=hidden], [type=checkbox], [type=radio])',
  'select:enabled',
  '[role=radio]:enabled, input:enabled',
  'button:enabled, a[href]',
];

function wanted(panel: HTMLElement): HTMLElement {
  for (const kind of WANTED) {
    const found = panel.querySelector<HTMLElement>(kind);
    if (found) return found;
  }
  return panel;
}

const isThere = (element: Element | null): element is HTMLElement =>
  element instanceof HTMLElement && element !== document.body && element.isConnected;

/** Whether the page has put the focus somewhere itself, where no letter is typed into something by accident. */
function isAtHome(): boolean {
  const active = document.activeElement;
  return isThere(active) && active.matches(':is(main, header) *:not(input, textarea, select)');
}

/**
 * Puts the focus where a dialog expects an answer, every time that it opens, also where its content comes later; keeps it
 * there while it is open; and gives it back to where it was, or, where that has left the page, to the page's own home.
 */
export function useDialogFocus(isOpen: MaybeRefOrGetter<boolean>, panel: MaybeComputedElementRef): void {
  let cameFrom: Element | null = null;

  const here = () => unrefElement(panel) as HTMLElement | undefined;

  function focusWanted(): void {
    const own = here();
    if (!own || !toValue(isOpen)) return;
    const active = document.activeElement;
    // Whoever has begun to answer stays where they are; the panel itself, or what lies behind, takes no answer.
    if (active !== own && own.contains(active)) return;
    const to = wanted(own);
    if (to === own) focusOn(own);
    else to.focus({ preventScroll: true });
  }

  function giveBack(): void {
    if (isThere(cameFrom)) {
      cameFrom.focus({ preventScroll: true });
      if (document.activeElement === cameFrom) return;
    } else if (isAtHome()) return;
    const home =
      document.querySelector<HTMLElement>('main [data-home]') ??
      document.querySelector<HTMLElement>('main h1');
    if (home) focusOn(home);
  }

  watch(
    () => toValue(isOpen),
    async (open, was) => {
      if (open) {
        cameFrom = document.activeElement;
        await nextTick();
        focusWanted();
      } else if (was) {
        await nextTick();
        // After what the dialog's own library does when it is taken off the page.
        setTimeout(() => {
          if (!toValue(isOpen)) giveBack();
        });
      }
    },
    { immediate: true, flush: 'sync' },
  );
  useMutationObserver(panel, focusWanted, { childList: true, subtree: true });
}
