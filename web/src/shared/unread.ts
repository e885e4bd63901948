import { onScopeDispose, reactive, toValue, watchEffect, type MaybeRefOrGetter } from 'vue';

/** What the fields on screen hold that cannot be read, by field: nothing is stored, shown or begun beside it. */
const fields = reactive(new Map<symbol, string>());

/** Takes note of a field whose text cannot be read: `label` while that is so, otherwise nothing. */
export function useUnread(label: MaybeRefOrGetter<string | undefined>): void {
  const field = Symbol();
  watchEffect(() => {
    const name = toValue(label);
    if (name) fields.set(field, name);
    else fields.delete(field);
  });
  onScopeDispose(() => fields.delete(field));
}

/** What to say of the fields that cannot be read; empty if there are none. */
export function unreadWords(): string {
  const names = [...new Set(fields.values())];
  if (!names.length) return '';
  return `Nothing was done: what is written under “${names.join('”, “')}” cannot be read. Write a number, or empty it.`;
}
