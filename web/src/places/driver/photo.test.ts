// @vitest-environment node
import { describe, expect, it } from 'vitest';
import { base64, drawnSize } from './photo';

describe('a photograph', () => {
  it('is drawn with its longer side at 1600 at most, and never larger than it is', () => {
    expect(drawnSize(4000, 3000)).toEqual({ width: 1600, height: 1200 });
    expect(drawnSize(3000, 4000)).toEqual({ width: 1200, height: 1600 });
    expect(drawnSize(640, 480)).toEqual({ width: 640, height: 480 });
    expect(drawnSize(100_000, 10)).toEqual({ width: 1600, height: 1 });
  });

  it('is written in base 64, also where it is long', () => {
    expect(base64(new Uint8Array([255, 216, 255, 219]))).toBe('/9j/2w==');
    const long = new Uint8Array(100_000).fill(7);
    expect(atob(base64(long))).toHaveLength(100_000);
  });
});
