/** jsdom has no layout, so it has no ResizeObserver; ours only needs to exist. */
class NoResizeObserver implements ResizeObserver {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}

globalThis.ResizeObserver = NoResizeObserver;
