import type { Schemas } from '@/api/client';
import served from '@/api/vocabulary.json';

/**
 * What everything is called. The words come from the server's own enumerations; the page is built with a copy of what the
 * server serves at /api/v1/vocabulary, so that it has them without signal too.
 */
type Lists = Omit<Schemas['Vocabulary'], 'limits'>;

const words = Object.fromEntries(
  Object.entries(served).map(([list, entries]) => [
    list,
    new Map(entries.map((entry) => [entry.name, entry.words])),
  ]),
) as unknown as Record<keyof Lists, Map<string, string>>;

/** What one of a list is called; of something newer than this page, its name in small letters. */
export function wordsOf(list: keyof Lists, name: string): string {
  return words[list].get(name) ?? name.toLowerCase().replaceAll('_', ' ');
}

/** The names in a list, in the order in which they are offered. */
export function namesIn(list: keyof Lists): string[] {
  return [...words[list].keys()];
}

export type LimitWord = Schemas['LimitWord'];
/** Every limit of an axle. */
export const LIMITS = served.limits as LimitWord[];
