// @vitest-environment node
import { describe, expect, it } from 'vitest';
import { standWords } from './progress';

describe('how far a long work is', () => {
  it.each([
    [{ unit: 'VEHICLES', done: 412, all: 2_000 }, '412 of 2,000 vehicles, 20 %'],
    [{ unit: 'BYTES', done: 3_000_000, all: 12_400_000 }, '3.0 of about 12.4 MB, 24 %'],
    [{ unit: 'BYTES', done: 13_000_000, all: 12_400_000 }, '13.0 MB so far'],
    [{ unit: 'BYTES', done: 1_000_000, all: null }, '1.0 MB so far'],
  ] as const)('%o is %s', (stand, words) => {
    expect(standWords({ what: 'it', ...stand })).toBe(words);
  });
});
