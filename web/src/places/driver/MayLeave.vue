<script setup lang="ts">
import { computed } from 'vue';
import type { DriverPage } from '@/api/driver';

/** Whether each of the driver's vehicles may leave, as the gate says, with the reasons. What may, is said once and small. */
const props = defineProps<{ leaving: DriverPage['leaving']; words: Record<string, string> }>();

const COLOURS = { NOT_YET: 'text-stop', LOOK_FIRST: 'text-next', MAY_LEAVE: 'text-quiet' } as const;
const held = computed(() => props.leaving.filter((one) => one.verdict !== 'MAY_LEAVE'));
const free = computed(() => props.leaving.filter((one) => one.verdict === 'MAY_LEAVE'));
</script>

<template>
  <section v-if="leaving.length" :aria-label="words.leave">
    <h2>{{ words.leave }}</h2>
    <div v-for="one in held" :key="one.vehicle" class="mt-1">
      <p class="font-medium" :class="COLOURS[one.verdict]">
        <span class="figure">{{ one.vehicle }}</span>: {{ one.words }}
      </p>
      <ul class="list-disc pl-5">
        <li v-for="reason in one.reasons" :key="reason">{{ reason }}</li>
      </ul>
    </div>
    <p v-if="free.length" class="mt-1 text-quiet">
      <span class="figure">{{ free.map((one) => one.vehicle).join(', ') }}</span>: {{ free[0]?.words }}
    </p>
  </section>
</template>
