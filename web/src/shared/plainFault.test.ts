// @vitest-environment node
import { describe, expect, it } from 'vitest';
import { plain, whereWords } from './plainFault';

describe('a fault', () => {
  it.each([
    [
      '"coldPressureKpa" must be a number from 50 to 1200, was 8500.',
      'Cold target must be from 50 to 1200 kPa, was 8500.',
    ],
    ['"ref" must be a text that is not blank.', 'Ref is missing.'],
    ['"vehicles" must be an array, such as […].', 'Vehicles must be a list.'],
    [
      '"R T/2" cannot stand in an address; leave out / \\ ; and %.',
      '"R T/2" cannot stand in an address; leave out / \\ ; and %.',
    ],
    ['Give a name of 1 to 120 characters.', 'Give a name of 1 to 120 characters.'],
  ])('%s', (message, words) => {
    expect(plain(message)).toBe(words);
  });

  it.each([
    ['$.vehicles[0].axles[1].role', 'vehicle 1, axle 2, role'],
    ['$.depots[2].timeZone', 'depot 3, time zone'],
    ['$.vehicles[0].axles', 'vehicle 1, axles'],
    ['$[4].batteryMv', '5, battery mv'],
    ['$', ''],
  ])('is at %s', (path, words) => {
    expect(whereWords(path)).toBe(words);
  });
});
