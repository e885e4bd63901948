import { ref } from 'vue';

/** What a screen reader is told last of what somebody did. */
export const told = ref('');

/** A region that gets the words it has already stays silent. */
const BREATH_MILLIS = 60;
let later: ReturnType<typeof setTimeout> | undefined;

/** Tells whoever listens how an act was answered; of several at once the last. */
export function tell(words: string): void {
  clearTimeout(later);
  told.value = '';
  later = setTimeout(() => (told.value = words), BREATH_MILLIS);
}
