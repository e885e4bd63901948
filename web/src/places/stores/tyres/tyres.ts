import type { TyreItem } from '@/api/tyres';

export type TyreFilter = 'all' | 'low' | 'old' | 'marked' | 'store';

export const FILTERS: { value: TyreFilter; words: string }[] = [
  { value: 'all', words: 'all' },
  { value: 'marked', words: 'marked as run soft' },
  { value: 'low', words: 'low tread' },
  { value: 'old', words: 'old' },
  { value: 'store', words: 'off vehicles' },
];

/** A tyre is looked at more closely from this age on, years [our judgement]; the fleet's own limit stands in the Office. */
export const OLD_YEARS = 6;

export const isOld = (tyre: TyreItem): boolean => typeof tyre.years === 'number' && tyre.years >= OLD_YEARS;

/** What a tyre is, in a few words. */
export const tyreWords = (tyre: TyreItem): string =>
  [tyre.maker, tyre.pattern, tyre.size].filter(Boolean).join(' ') || 'not described';

const PASSES: Record<TyreFilter, (tyre: TyreItem) => boolean> = {
  all: () => true,
  low: (tyre) => tyre.isLow,
  old: isOld,
  marked: (tyre) => Boolean(tyre.markedBecause),
  store: (tyre) => Boolean(tyre.kind) && tyre.kind !== 'SCRAPPED',
};

/** Those that pass, in which every word that is looked for occurs. */
export function chosenTyres(tyres: readonly TyreItem[], filter: TyreFilter, wanted: string): TyreItem[] {
  const words = wanted.toLowerCase().split(/\s+/).filter(Boolean);
  return tyres.filter((tyre) => {
    const text = [tyreWords(tyre), tyre.place, tyre.dateCode, tyre.sensor, tyre.note, `tyre ${tyre.id}`]
      .join(' ')
      .toLowerCase();
    return PASSES[filter](tyre) && words.every((word) => text.includes(word));
  });
}
