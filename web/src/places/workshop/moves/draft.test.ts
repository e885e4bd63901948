// @vitest-environment node
import { describe, expect, it } from 'vitest';
import { isOf, noDraft } from './draft';

const HOUR = 3_600_000;
const draft = {
  ...noDraft(),
  first: 'GX-01',
  steps: [{ from: { vehicle: 'GX-01', position: '1L' }, to: { vehicle: 'GX-01', position: '1R' } }],
  at: 100 * HOUR,
};

describe('a move that was begun', () => {
  it('is gone on with on the same day, wherever it is not another vehicle that is asked for', () => {
    expect(isOf(draft, '', 101 * HOUR)).toBe(true);
    expect(isOf(draft, 'GX-01', 101 * HOUR)).toBe(true);
    expect(isOf(draft, 'GX-02', 101 * HOUR)).toBe(false);
    expect(isOf(draft, '', 113 * HOUR)).toBe(false);
  });

  it('is none without a step', () => {
    expect(isOf(noDraft(), '', 0)).toBe(false);
  });
});
