// @vitest-environment node
import { expect, it } from 'vitest';
import { codesIn } from './codes';

it('codes come one a line or with anything between, each once, in capitals', () => {
  expect(codesIn(' a1b2c3\nA1B2C3, b00002;\tC00003 \n')).toEqual(['A1B2C3', 'B00002', 'C00003']);
  expect(codesIn('')).toEqual([]);
});
