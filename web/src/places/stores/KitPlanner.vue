<script setup lang="ts">
import { watchDebounced } from '@vueuse/core';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { useStoreActions, type KitPlan } from '@/api/stores';
import { MOUNT_CHOICES, mountWords } from '@/shared/position';
import NumberField from '@/shared/NumberField.vue';
import { useAttempt } from '@/shared/useAttempt';
import VehiclePicker from '@/shared/VehiclePicker.vue';
import { moveUp, toggle, type Mount } from './mounts';
import PickList from './PickList.vue';

/** What it takes to equip some vehicles: seen at once, kept when it is right. */
const MOST = 200;
const router = useRouter();
const { plan } = useStoreActions();
const { trouble, isBusy, attempt } = useAttempt();

const vehicles = ref<string[]>([]);
const order = ref<Mount[]>(['STRAP', 'BELT', 'CAP']);
const tyresComeOff = ref(true);
const sparePercent = ref<number | null>(5);
const seen = ref<KitPlan>();

const wish = computed(() => ({
  vehicles: vehicles.value,
  preference: order.value,
  tyresComeOff: tyresComeOff.value,
  sparePercent: sparePercent.value,
}));
const others = computed(() => MOUNT_CHOICES.filter((one) => !order.value.includes(one as Mount)) as Mount[]);

watchDebounced(
  wish,
  async (now) => {
    if (!now.vehicles.length || !now.preference.length) {
      seen.value = undefined;
      return;
    }
    await attempt(async () => {
      const found = await plan({ ...now, isPreview: true });
      if (now === wish.value) seen.value = found;
    });
  },
  { debounce: 250 },
);

const keep = () =>
  attempt(async () => {
    const kept = await plan({ ...wish.value, isPreview: false });
    await router.push({ name: 'kit-plan', params: { id: kept.id ?? '' } });
  });
</script>

<template>
  <section aria-labelledby="planner">
    <h2 id="planner" class="text-base">Plan a kit</h2>
    <div class="mt-1 grid gap-x-10 gap-y-3 lg:grid-cols-2">
      <VehiclePicker v-model="vehicles" :most="MOST" />
      <fieldset>
        <legend class="mb-1">Sensors held, the most wanted first</legend>
        <ol>
          <li v-for="(one, index) in order" :key="one" class="flex items-baseline gap-3 py-0.5">
            <span class="figure w-4 text-quiet">{{ index + 1 }}</span>
            <span class="w-52">{{ mountWords(one) }}</span>
            <button
              v-if="index"
              type="button"
              class="link"
              :aria-label="`${mountWords(one)} one up`"
              @click="order = moveUp(order, one)"
            >
              up
            </button>
            <button
              v-if="order.length > 1"
              type="button"
              class="link"
              :aria-label="`Never ${mountWords(one)}`"
              @click="order = toggle(order, one)"
            >
              never
            </button>
          </li>
        </ol>
        <p v-if="others.length" class="mt-1 text-quiet">
          Not wanted:
          <button
            v-for="one in others"
            :key="one"
            type="button"
            class="link mr-3"
            :aria-label="`Take ${mountWords(one)} as well`"
            @click="order = toggle(order, one)"
          >
            {{ mountWords(one) }}
          </button>
        </p>
        <div class="mt-2 flex flex-wrap items-end gap-x-6 gap-y-2">
          <label class="flex items-center gap-2"
            ><input v-model="tyresComeOff" type="checkbox" /> the tyres come off</label
          >
          <NumberField v-model="sparePercent" label="To spare" unit="%" :most="50" is-whole class="w-28" />
        </div>
      </fieldset>
    </div>
    <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
    <p v-if="!vehicles.length" class="mt-3 text-quiet">Choose vehicles; the list follows at once.</p>
    <template v-else-if="seen">
      <PickList :plan="seen" />
      <button type="button" class="button button-main mt-3" :disabled="isBusy" @click="keep">
        Keep this plan
      </button>
    </template>
  </section>
</template>
