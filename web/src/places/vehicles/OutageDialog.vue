<script setup lang="ts">
import { I18nT } from 'vue-i18n';
import { computed, ref, watch } from 'vue';
import type { VehicleItem } from '@/api/fleet';
import { useSession } from '@/api/session';
import AppDialog from '@/shared/AppDialog.vue';
import { placeWords, roleWords } from '@/shared/position';
import { clock } from '@/shared/time';

/** What of a vehicle is taken out of service: a wheel, an axle or all of it, with a reason and an end. */
export interface Out {
  axle?: number;
  position?: string;
  reason: string;
  until: string | null;
}
const props = defineProps<{ isOpen: boolean; vehicle: VehicleItem; trouble: string; isBusy: boolean }>();
const emit = defineEmits<{ go: [what: Out]; done: [] }>();

/** Until somebody says otherwise: a vehicle alone may stand so. */
const OPEN_END = 0;
const ENDS: [number, string][] = [
  [8, 'eight hours, a shift'],
  [24, 'a day'],
  [72, 'three days'],
  [168, 'a week'],
  [720, 'thirty days'],
];
const { isManager } = useSession();
const place = ref('');
const reason = ref('');
const hours = ref(24);

watch(
  () => props.isOpen,
  () => {
    place.value = '';
    reason.value = '';
    hours.value = 24;
  },
);
const isVehicle = computed(() => place.value === 'vehicle');
const isAxle = computed(() => place.value.startsWith('axle '));
watch(isVehicle, (is) => {
  if (!is && hours.value === OPEN_END) hours.value = 24;
});
const until = computed(() =>
  hours.value === OPEN_END ? null : new Date(Date.now() + hours.value * 3_600_000),
);

function go(): void {
  emit('go', {
    ...(isAxle.value ? { axle: Number(place.value.slice('axle '.length)) } : {}),
    ...(isVehicle.value || isAxle.value ? {} : { position: place.value }),
    reason: reason.value.trim(),
    until: until.value?.toISOString() ?? null,
  });
}
</script>

<template>
  <AppDialog :is-open="isOpen" :title="`Take out of service: ${vehicle.ref}`" @close="emit('done')">
    <form class="mt-3 grid gap-4" @submit.prevent="go">
      <label>
        What?
        <select v-model="place" class="field mt-1" required>
          <option value="" disabled></option>
          <option v-if="isManager" value="vehicle">the whole vehicle</option>
          <option v-for="(axle, index) in vehicle.axles" :key="index" :value="`axle ${index + 1}`">
            axle {{ index + 1 }}, {{ roleWords(axle.role) }}
          </option>
          <option v-for="wheel in vehicle.wheels" :key="wheel.position" :value="wheel.position">
            {{ wheel.position }}, {{ placeWords(wheel.position) }}
          </option>
        </select>
      </label>
      <p v-if="isVehicle" class="text-quiet">
        {{ $t('vehicles.outVehicle') }}
      </p>
      <I18nT v-else-if="place" keypath="vehicles.outPart" tag="p" class="text-quiet" scope="global">
        <template #stopNow
          ><em class="font-medium not-italic">{{ $t('vehicles.stopNow') }}</em></template
        >
      </I18nT>
      <label>
        Why?
        <input v-model="reason" class="field mt-1" maxlength="500" required />
      </label>
      <label>
        For how long?
        <select v-model="hours" class="field mt-1">
          <option v-for="[value, words] in ENDS" :key="value" :value="value">{{ words }}</option>
          <option v-if="isVehicle" :value="OPEN_END">until somebody puts it back</option>
        </select>
      </label>
      <p v-if="until">
        It is back in service at <span class="figure">{{ clock(until, new Date()) }}</span>.
      </p>
      <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
      <div class="flex flex-wrap gap-2">
        <button type="submit" class="button button-main" :disabled="!place || !reason.trim() || isBusy">
          Take it out
        </button>
        <button type="button" class="button" @click="emit('done')">Leave it in service</button>
      </div>
    </form>
  </AppDialog>
</template>
