<script setup lang="ts">
import { computed } from 'vue';
import { RouterLink } from 'vue-router';
import { useSession } from '@/api/session';
import { OFFICE_PAGES, pagesFor } from '../pages';

/** How the product is set, and what goes in and out of it: which page answers what. */
const { account } = useSession();
const pages = computed(() => pagesFor(OFFICE_PAGES, account.value?.role));
</script>

<template>
  <div class="w-full max-w-5xl px-5 py-4">
    <h1 class="text-2xl">Office</h1>
    <ul class="mt-3 border-t border-rule">
      <li v-for="page in pages" :key="page.name" class="border-b border-rule">
        <RouterLink
          :to="{ name: page.name }"
          class="grid min-h-11 content-center gap-x-5 py-2 text-ink no-underline sm:grid-cols-[13rem_minmax(0,1fr)]"
        >
          <span class="font-medium text-action underline underline-offset-2">{{ page.title }}</span>
          <span class="text-quiet">{{ page.answers }}</span>
        </RouterLink>
      </li>
    </ul>
  </div>
</template>
