// @vitest-environment node
import { describe, expect, it } from 'vitest';
import type { TyreItem } from '@/api/tyres';
import { chosenTyres, isOld, tyreWords } from './tyres';

const tyre = (id: string, more: Partial<TyreItem>): TyreItem => ({
  id,
  place: 'LM-21 1L',
  isLow: false,
  trouble: [],
  ...more,
});
const worn = tyre('1', { size: '315/80 R22.5', isLow: true, treadMm: 2 });
const old = tyre('2', { size: '295/80 R22.5', years: 7, place: 'in store (High Tarn)', kind: 'STORE' });
const scrapped = tyre('3', { kind: 'SCRAPPED', place: 'scrapped' });
const all = [worn, old, scrapped];

describe('the list of tyres', () => {
  it('finds by every word, wherever it stands', () => {
    expect(chosenTyres(all, 'all', 'tarn 295')).toEqual([old]);
    expect(chosenTyres(all, 'all', 'tyre scrapped')).toEqual([scrapped]);
    expect(chosenTyres(all, 'all', ' ')).toEqual(all);
  });

  it('shows what is worn, what is old, and what lies somewhere and can be used', () => {
    expect(chosenTyres(all, 'low', '')).toEqual([worn]);
    expect(chosenTyres(all, 'old', '')).toEqual([old]);
    expect(chosenTyres(all, 'store', '')).toEqual([old]);
    expect(chosenTyres(all, 'marked', '')).toEqual([]);
  });

  it('says of a tyre only what is known', () => {
    expect(tyreWords(worn)).toBe('315/80 R22.5');
    expect(tyreWords(scrapped)).toBe('not described');
    expect(isOld(worn)).toBe(false);
  });
});
