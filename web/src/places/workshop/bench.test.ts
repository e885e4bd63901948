// @vitest-environment node
import { describe, expect, it } from 'vitest';
import type { JobItem } from '@/api/jobs';
import { bareLines, fillFrom, twice, type BenchLine } from './bench';

const lines: BenchLine[] = ['1L', '2LO', '2LI'].map((position) => ({ position, words: position, code: '' }));

describe('a list made at the bench', () => {
  it('has the wheels without a sensor, in the order of the walk', () => {
    const job = {
      wheels: [
        { position: '1L', words: 'axle 1 left', code: 'A1B2C3', leftOut: null },
        { position: '2LO', words: 'axle 2 left outer', code: null, leftOut: null },
        { position: '2LI', words: 'axle 2 left inner', code: null, leftOut: { reason: 'none there' } },
        { position: '1R', words: 'axle 1 right', code: null, leftOut: null },
      ],
    } as unknown as JobItem;

    expect(bareLines(job).map((line) => line.position)).toEqual(['2LO', '1R']);
  });

  it('is filled by position, whatever stands between', () => {
    const { lines: filled, strange } = fillFrom('2li; a1-b2-c3\n1L\t0x9\r\n2LO,D4E5F6', lines);

    expect(filled.map((line) => line.code)).toEqual(['0X9', 'D4E5F6', 'A1B2C3']);
    expect(strange).toEqual([]);
  });

  it('is filled in the order of the walk where only codes are given', () => {
    expect(fillFrom('A1B2C3\nD4E5F6', lines).lines.map((line) => line.code)).toEqual([
      'A1B2C3',
      'D4E5F6',
      '',
    ]);
  });

  it('tells what fits nowhere, and loses nothing else', () => {
    const { lines: filled, strange } = fillFrom('9L, A1B2C3\n1L, D4E5F6\na b c d', lines);

    expect(strange).toEqual(['9L, A1B2C3', 'a b c d']);
    expect(filled[0]?.code).toBe('D4E5F6');
  });

  it('finds a code that stands twice', () => {
    const codes = ['a1b2c3', 'A1-B2-C3', ''];
    expect([...twice(lines.map((line, index) => ({ ...line, code: codes[index] ?? '' })))]).toEqual([
      'A1B2C3',
    ]);
  });
});
