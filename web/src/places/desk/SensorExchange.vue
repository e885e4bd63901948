<script setup lang="ts">
import { computed, ref } from 'vue';
import { useSensorExchange, type AlertDetail } from '@/api/fleet';
import { placeWords } from '@/shared/position';
import { useClock } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';

/** Offers to put on record that two wheels have each other's sensors. */
const props = defineProps<{ detail: AlertDetail; other: string }>();

const exchange = useSensorExchange();
const { at } = useClock();
const { trouble, isBusy, attempt } = useAttempt();
const isDone = ref(false);
const item = computed(() => props.detail.item);
/** What the readings show, or when it was first said. */
const since = computed(() => props.detail.exchangeSince ?? item.value.openedAt);
const wheels = computed(() => `${placeWords(item.value.position ?? '')} and ${placeWords(props.other)}`);

const put = () =>
  attempt(async () => {
    await exchange(item.value.vehicle ?? '', {
      position: item.value.position ?? null,
      other: props.other,
      at: since.value,
    });
    isDone.value = true;
  });
</script>

<template>
  <section aria-labelledby="exchange">
    <h3 id="exchange">Which sensor sits where</h3>
    <p v-if="isDone" role="status" class="mt-1">
      Put on record since {{ at(since) }}. What the two said since then is judged again.
    </p>
    <template v-else>
      <p class="mt-1">
        If you have looked and it is so, put on record that {{ wheels }} have each other’s sensors since
        <span class="figure">{{ at(since) }}</span>. What they said since then is judged again at the right
        wheels.
      </p>
      <button type="button" class="button mt-2" :disabled="isBusy" @click="put">
        Exchange the two sensors
      </button>
      <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
    </template>
  </section>
</template>
