<script setup lang="ts">
import { reactive, ref } from 'vue';
import type { DriverPage } from '@/api/driver';
import { useTyreActions } from '@/api/tyres';
import NumberField from '@/shared/NumberField.vue';
import { useAttempt } from '@/shared/useAttempt';

/** Wheel nuts that are to be tightened again, asked for until somebody says that it was done. */
const props = defineProps<{ retorques: DriverPage['retorques']; words: Record<string, string> }>();
const { tightened } = useTyreActions();
const { trouble, isBusy, attempt } = useAttempt();
const torques = reactive(new Map<string, number | null>());
const isThanked = ref(false);

const done = (one: DriverPage['retorques'][number]) =>
  attempt(
    async () => {
      await tightened(
        one.vehicle,
        one.wheels.map((wheel) => wheel.position),
        torques.get(one.vehicle) ?? null,
      );
      isThanked.value = true;
    },
    undefined,
    { done: props.words['nuts.thanks'] ?? '' },
  );
</script>

<template>
  <section v-if="retorques.length || isThanked" :aria-label="words.nuts">
    <h2>{{ words.nuts }}</h2>
    <p v-if="!retorques.length" role="status" class="mt-1">{{ words['nuts.thanks'] }}</p>
    <form v-for="one in retorques" :key="one.vehicle" class="mt-2 grid gap-2" @submit.prevent="done(one)">
      <p>
        <span class="figure font-medium">{{ one.vehicle }}</span>&ensp;{{ words['nuts.after'] }}
        <span class="figure whitespace-nowrap">{{ one.km }} km</span>
      </p>
      <ul class="list-disc pl-5">
        <li v-for="wheel in one.wheels" :key="wheel.position">{{ wheel.words }}</li>
      </ul>
      <p v-if="one.isDue" class="font-medium text-next">{{ words['nuts.due'] }}</p>
      <NumberField
        :model-value="torques.get(one.vehicle) ?? null"
        :label="words['nuts.torque'] ?? ''"
        :least="1"
        :most="2000"
        is-optional
        :unread-words="words['nuts.torqueUnread']"
        @update:model-value="(nm) => torques.set(one.vehicle, nm)"
      />
      <button type="submit" class="button button-main min-h-14" :disabled="isBusy">
        {{ words['nuts.done'] }}<span class="spoken">: {{ one.vehicle }}</span>
      </button>
    </form>
    <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
  </section>
</template>
