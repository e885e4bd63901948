import { onScopeDispose, reactive, toValue, watchEffect, type MaybeRefOrGetter } from 'vue';

/** What the fields on screen hold that cannot be read, by field: nothing is stored, shown or begun beside it. */
const fields = reactive(new Map<symbol, { name: string; words: string | undefined }>());

/**
 * Takes note of a field whose text cannot be read: `label` while that is so, otherwise nothing.
 *
 * @param words what is said of it where the page speaks another language than the desk
 */
export function useUnread(
  label: MaybeRefOrGetter<string | undefined>,
  words?: () => string | undefined,
): void {
  const field = Symbol();
  watchEffect(() => {
    const name = toValue(label);
    if (name) fields.set(field, { name, words: words?.() });
    else fields.delete(field);
  });
  onScopeDispose(() => fields.delete(field));
}

/** What to say of the fields that cannot be read; empty if there are none. */
export function unreadWords(): string {
  const own = [...fields.values()].find((field) => field.words)?.words;
  if (own) return own;
  const names = [...new Set([...fields.values()].map((field) => field.name))];
  if (!names.length) return '';
  return `Nothing was done: what is written under “${names.join('”, “')}” cannot be read. Write a number, or empty it.`;
}
