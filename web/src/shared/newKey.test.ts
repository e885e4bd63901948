// @vitest-environment node
import { afterEach, describe, expect, it, vi } from 'vitest';
import { newKey } from './newKey';

const crypto_ = globalThis.crypto;

describe('a key for an entry', () => {
  afterEach(() => vi.unstubAllGlobals());

  it('is made where the browser has no randomUUID, as over plain HTTP', () => {
    vi.stubGlobal('crypto', {
      getRandomValues: (bytes: Uint8Array) => crypto_.getRandomValues(bytes),
    });
    expect(newKey()).toMatch(/^[0-9a-f]{32}$/);
  });

  it('is another every time, and one that the server takes', () => {
    const keys = new Set(Array.from({ length: 1_000 }, newKey));
    expect(keys.size).toBe(1_000);
    for (const key of keys) expect(key).toMatch(/^[A-Za-z0-9-]{8,64}$/);
  });
});
