import type { Router } from 'vue-router';
import { isCovered } from './keys';

/** What is disabled while something is under way may come back; after this it is given up. */
const AGAIN_MILLIS = 600;

const isDisabled = (element: Element) => element.matches(':disabled');
const isHidden = (element: Element) =>
  typeof element.checkVisibility === 'function' && !element.checkVisibility();

/** Gives the focus to a heading or a part of the page, which has none by itself. */
export function focusOn(element: HTMLElement): void {
  if (!element.hasAttribute('tabindex')) element.setAttribute('tabindex', '-1');
  element.focus({ preventScroll: true });
}

/**
 * Keeps the focus from falling to the page's body. Where what had it is taken away, hidden, or stays disabled, it goes to the
 * nearest part of the page around it that is still there, at its heading; so whoever works without a mouse stays where they
 * were, and hears where that is.
 *
 * @returns ends it
 */
export function keepFocus(page: Document = document): () => void {
  let last: HTMLElement | undefined;
  let around: HTMLElement[] = [];
  let again: ReturnType<typeof setTimeout> | undefined;

  function remember(event: FocusEvent): void {
    last = event.target as HTMLElement;
    around = [];
    for (let part = last.parentElement; part && part !== page.body; part = part.parentElement)
      around.push(part);
  }

  function giveBack(isLate: boolean): void {
    if (!last || isCovered()) return;
    // A browser takes the focus from what is disabled or hidden only once it draws the page again.
    const isLost =
      page.activeElement === page.body ||
      (page.activeElement === last && (isDisabled(last) || isHidden(last)));
    if (!isLost) return;
    const isThere = last.isConnected && !isHidden(last);
    if (isThere && isDisabled(last)) {
      if (!isLate) {
        clearTimeout(again);
        again = setTimeout(() => giveBack(true), AGAIN_MILLIS);
        return;
      }
    } else if (isThere) {
      last.focus({ preventScroll: true });
      return;
    }
    const left = around.filter((part) => part.isConnected && !isHidden(part));
    const heading = left
      .flatMap((part) => [...part.querySelectorAll<HTMLElement>('h1, h2, h3')])
      .find((one) => !isHidden(one));
    const home = heading ?? left[0];
    if (home) focusOn(home);
  }

  /** Who presses beside everything wants the focus nowhere. */
  function letGo(): void {
    last = undefined;
  }

  const observer = new MutationObserver(() => giveBack(false));
  observer.observe(page.body, {
    subtree: true,
    childList: true,
    attributes: true,
    attributeFilter: ['disabled', 'class', 'style', 'hidden'],
  });
  page.addEventListener('focusin', remember);
  page.addEventListener('pointerdown', letGo);
  return () => {
    observer.disconnect();
    clearTimeout(again);
    page.removeEventListener('focusin', remember);
    page.removeEventListener('pointerdown', letGo);
  };
}

/** A page that was opened is read from its heading on; without one yet, from its beginning. */
export function followPages(router: Router): void {
  router.afterEach((to, from, failure) => {
    if (failure || to.path === from.path || from.matched.length === 0 || to.name === from.name) return;
    setTimeout(() => {
      const main = document.querySelector<HTMLElement>('main');
      // A page that puts the focus somewhere itself knows better.
      const isTaken = main?.contains(document.activeElement) && document.activeElement !== main;
      if (main && !isTaken) focusOn(main.querySelector<HTMLElement>('h1') ?? main);
    });
  });
}
