import { computed, ref } from 'vue';
import { useTitle } from '@vueuse/core';

/** What the page in front is called. */
export const pageName = ref('');
/** How many alerts say stop now, which the title says too: it is what a tab in the background shows. */
export const stopsNow = ref(0);

useTitle(
  computed(() =>
    [
      stopsNow.value ? `(${stopsNow.value} stop now)` : '',
      pageName.value && `${pageName.value} ·`,
      'Vivid Caravan',
    ]
      .filter(Boolean)
      .join(' '),
  ),
);
