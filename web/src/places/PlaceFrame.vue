<script setup lang="ts">
import { computed } from 'vue';
import { RouterLink, RouterView, useRoute } from 'vue-router';
import { useSession } from '@/api/session';
import { pagesFor, type PlacePage } from './pages';

/** A place of several pages: its index at the side, on a phone at the top, and what the page in hand answers. */
const props = defineProps<{ title: string; pages: PlacePage[] }>();
const { account } = useSession();
const route = useRoute();
const mine = computed(() => pagesFor(props.pages, account.value?.role));
const page = computed(() => props.pages.find((one) => one.name === route.name));
</script>

<template>
  <div class="grid w-full gap-x-8 print:block px-5 py-4 lg:grid-cols-[11.5rem_minmax(0,1fr)]">
    <details :key="String(route.name)" class="mb-3 lg:hidden print:hidden">
      <summary class="flex min-h-11 cursor-pointer items-center gap-2 border-b border-rule">
        <span class="font-medium">{{ title }}</span>
        <span class="text-quiet">{{ page?.title }}</span>
        <span class="ml-auto text-action underline underline-offset-2">other pages</span>
      </summary>
      <nav :aria-label="`${title}, its pages`">
        <RouterLink
          v-for="one in mine"
          :key="one.name"
          :to="{ name: one.name }"
          class="flex min-h-11 items-center border-b border-rule text-ink no-underline"
          :class="{ 'font-semibold': one.name === route.name }"
          >{{ one.title }}</RouterLink
        >
      </nav>
    </details>
    <nav :aria-label="`Pages of the ${title}`" class="hidden lg:block print:hidden">
      <p class="mb-1 text-quiet">{{ title }}</p>
      <RouterLink
        v-for="one in mine"
        :key="one.name"
        :to="{ name: one.name }"
        class="block border-l-3 py-1.5 pl-3 text-ink no-underline hover:border-rule"
        :class="one.name === route.name ? 'border-ink font-semibold' : 'border-transparent'"
        :aria-current="one.name === route.name ? 'page' : undefined"
        >{{ one.title }}</RouterLink
      >
    </nav>
    <div class="min-w-0">
      <h1 class="text-2xl">{{ page?.title }}</h1>
      <p class="mt-1 mb-4 max-w-3xl text-quiet print:hidden">{{ page?.answers }} {{ page?.rights }}</p>
      <RouterView />
    </div>
  </div>
</template>
