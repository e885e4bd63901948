// @vitest-environment node
import { describe, expect, it } from 'vitest';
import { otherPressures, parsePercent, parsePressure, parseTemperature, unitMeant } from './quantity';

describe('typed pressures', () => {
  // 1 psi = 6.894757 kPa, 1 kgf/cm² = 98.0665 kPa: NIST SP 811.
  it.each([
    ['7.8 bar', 780],
    ['7,8bar', 780],
    ['113 psi', 779.1076],
    ['780', 780],
    ['780 kPa', 780],
    ['8 kg/cm²', 784.532],
  ])('understands %s', (text, kpa) => {
    expect(parsePressure(text, 'KPA')).toBeCloseTo(kpa, 3);
  });

  it('takes a bare number in the reader’s unit', () => {
    expect(parsePressure('7.8', 'BAR')).toBeCloseTo(780, 9);
  });

  it.each(['', 'abc', '7.8 feet', '7.8.1', '--3'])('does not guess at “%s”', (text) => {
    expect(parsePressure(text, 'KPA')).toBeUndefined();
  });

  it('shows the other units', () => {
    expect(otherPressures(780, 'KPA')).toBe('7.80\u00a0bar, 113.1\u00a0psi');
  });
});

describe('typed temperatures', () => {
  it.each([
    ['158 °F', 70],
    ['70', 70],
    ['-40 f', -40],
  ])('understands %s', (text, celsius) => {
    expect(parseTemperature(text, 'CELSIUS')).toBeCloseTo(celsius, 9);
  });
});

describe('what a figure means', () => {
  it.each([
    ['8.5', 'KPA', 'BAR'],
    ['113', 'BAR', 'PSI'],
    ['780', 'PSI', 'KPA'],
    ['850', 'KPA', undefined],
    ['8.5', 'BAR', undefined],
    ['8.5 kPa', 'KPA', undefined],
    ['0', 'KPA', undefined],
    ['9oo', 'KPA', undefined],
  ] as const)('asks about %s in %s: %s', (text, own, meant) => {
    expect(unitMeant(text, own)).toBe(meant);
  });

  it.each([
    ['11 %', 11],
    ['11,5%', 11.5],
    ['12', 12],
    ['abc', undefined],
    ['11 kPa', undefined],
  ])('reads the share %s', (text, share) => {
    expect(parsePercent(text)).toBe(share);
  });

  it('reads a true minus', () => {
    expect(parseTemperature('\u221210', 'CELSIUS')).toBe(-10);
  });
});
