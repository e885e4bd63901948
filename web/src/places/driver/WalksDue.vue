<script setup lang="ts">
import { RouterLink } from 'vue-router';
import type { WalkOf } from '@/api/driver';
import { useClock } from '@/shared/time';

/** Whether each of a driver's vehicles was walked round today, and the way to do it. */
defineProps<{ walks: WalkOf[]; words: Record<string, string> }>();
const { at } = useClock();
</script>

<template>
  <section v-if="walks.length" :aria-label="words.walk">
    <h2>{{ words.walk }}</h2>
    <ul class="mt-1 grid gap-2">
      <li v-for="walk in walks" :key="walk.vehicle">
        <p>
          <span class="figure font-medium">{{ walk.vehicle }}</span>&ensp;<template v-if="walk.at"
            >{{ words['walk.done'] }} {{ at(walk.at) }}</template
          ><template v-else>{{ words['walk.due'] }}</template>
        </p>
        <RouterLink
          :to="{ name: 'walk', params: { vehicleRef: walk.vehicle } }"
          class="button mt-1 flex min-h-14 items-center justify-center no-underline"
          :class="{ 'button-main': !walk.at }"
          >{{ words[walk.at ? 'walk.again' : 'walk.begin']
          }}<span class="spoken">: {{ walk.vehicle }}</span></RouterLink
        >
      </li>
    </ul>
  </section>
</template>
