import type { ActMore } from '@/api/alertActs';

/** What becomes of a tyre that was run soft, once somebody looked at it inside. */
export type Decision = 'BACK' | 'REPAIRED' | 'SCRAPPED';

interface Answers {
  found: string[];
  done: string[];
  words: string;
  /** Where the tyre was run soft. */
  inspection?: { by: string; inside: string; decision: Decision } | undefined;
}

/** What was done, in the words of the page, that ends a tyre at its wheel. */
export const TYRE_CHANGED = 'tyre changed';

const DECIDED: Record<Decision, string> = {
  BACK: 'back in service',
  REPAIRED: 'repaired',
  SCRAPPED: 'scrapped',
};

/** What goes into the record of a repair, and what closes the alert with it; nothing while something is missing. */
export function reportOf({
  found,
  done,
  words,
  inspection,
}: Answers): { reason: string; isTyreChanged: boolean; closes?: ActMore } | undefined {
  const own = words.trim();
  if (!(found.length && done.length) && !own) return undefined;
  const reason = [
    found.length ? `Found: ${found.join(', ')}.` : '',
    done.length ? `Done: ${done.join(', ')}.` : '',
    own,
  ]
    .filter(Boolean)
    .join(' ');
  // What was known of the old tyre is not known of the new one.
  const isTyreChanged = done.includes(TYRE_CHANGED);
  if (!inspection) return { reason, isTyreChanged };
  const by = inspection.by.trim();
  const inside = inspection.inside.trim();
  if (!by || !inside) return undefined;
  const isScrapped = inspection.decision === 'SCRAPPED';
  return {
    reason,
    isTyreChanged,
    closes: {
      reason: `${reason} Inside: ${inside}. Decision: ${DECIDED[inspection.decision]}.`,
      inspectedBy: by,
      isScrapped,
      isTyreChanged,
    },
  };
}
