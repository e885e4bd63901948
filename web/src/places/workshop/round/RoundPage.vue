<script setup lang="ts">
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import { useRound, useRoundActions } from '@/api/rounds';
import { useSession } from '@/api/session';
import AdjustDialog from '@/places/vehicles/AdjustDialog.vue';
import { dated } from '@/shared/time';
import { useUnits } from '@/shared/units';
import { useAttempt } from '@/shared/useAttempt';
import RoundOutcome from './RoundOutcome.vue';
import RoundWheelRow from './RoundWheelRow.vue';
import { useErrandsOf, withErrands } from './useErrandsOf';
import { usePeople } from '@/api/people';

/** A round with the air line: what to do at every wheel, reckoned again with every reading, until each is settled. */
const props = defineProps<{ id: string }>();

const { nameOf } = usePeople();
const units = useUnits();
const { mayHandleAlerts } = useSession();
const { data: stored, error } = useRound(() => props.id);
const { end } = useRoundActions();
const { waiting, ahead, refused, isOnline, keep, drop } = useErrandsOf(() => props.id);
const round = computed(() => stored.value && withErrands(stored.value, ahead.value));
const { trouble, isBusy, attempt } = useAttempt();
const adjusted = ref({ vehicle: '', position: '1L' });
const isAdjusting = ref(false);
const isOpen = computed(() => round.value?.state === 'OPEN');
const mayWork = computed(() => isOpen.value && mayHandleAlerts.value);

const left = computed(() => {
  const count = round.value?.unsettled ?? 0;
  return count === 0
    ? 'Every wheel reads right or has a reason.'
    : `${count} ${count === 1 ? 'wheel is' : 'wheels are'} left.`;
});
const words = computed(() => {
  if (!round.value?.closedAt) return left.value;
  const when = `${dated(round.value.closedAt)}, ${nameOf(round.value.closedBy)}`;
  return round.value.state === 'DONE'
    ? `Done, ${when}. The sheet is kept as it was then.`
    : `Given up, ${when}, with ${round.value.unsettled} left.`;
});
const signal = computed(() =>
  isOnline.value
    ? ''
    : waiting.value.length
      ? `${waiting.value.length} waiting for signal, kept on this device`
      : 'no signal; what you enter is kept on this device',
);
const print = () => window.print();
</script>

<template>
  <div class="max-w-4xl px-5 py-4">
    <p class="print:hidden"><RouterLink class="way" to="/workshop">‹ Workshop</RouterLink></p>
    <p v-if="error && !round" role="alert" class="mt-2 text-next">{{ error.message }}</p>
    <p v-else-if="!round" class="mt-2 text-quiet">Fetching the round …</p>
    <template v-else>
      <div class="mt-1 flex flex-wrap items-baseline gap-3">
        <h1 class="text-xl">Pressure round</h1>
        <span class="text-quiet">since {{ dated(round.openedAt) }}, {{ nameOf(round.openedBy) }}</span>
        <button type="button" class="button ml-auto print:hidden" @click="print">Print</button>
      </div>
      <p role="status" class="mt-1" :class="{ 'font-medium': isOpen }">{{ words }}</p>
      <p v-if="signal" role="status" class="text-quiet">{{ signal }}</p>
      <p v-for="one in refused" :key="one.key" role="alert" class="mt-1 text-stop">
        {{ one.vehicle }} {{ one.position }}: {{ one.trouble }}
        <button type="button" class="link" @click="drop(one.key)">Leave it</button>
      </p>
      <p class="mt-1 text-quiet">
        Reckoned with {{ units.temperatureWords(round.sheet.airC) }} outside<template
          v-if="round.sheet.isAirGuessed"
          >, which is the coolest tyre’s; while nobody says more, no air is let out</template
        >. Cold pressure means at the temperature of the air.
      </p>
      <section v-for="vehicle in round.sheet.vehicles" :key="vehicle.ref" class="mt-4">
        <h2 class="figure text-base">{{ vehicle.ref }}</h2>
        <ul class="mt-1 border-t border-rule">
          <RoundWheelRow
            v-for="wheel in vehicle.wheels"
            :key="wheel.position"
            :wheel="wheel"
            :vehicle="vehicle.ref"
            :is-open="mayWork"
            :is-waiting="
              waiting.some((one) => one.vehicle === vehicle.ref && one.position === wheel.position)
            "
            @set="
              adjusted = { vehicle: vehicle.ref, position: wheel.position };
              isAdjusting = true;
            "
            @give="(reason) => keep({ vehicle: vehicle.ref, position: wheel.position, reason })"
          />
        </ul>
      </section>
      <RoundOutcome :id="id" :is-ended="!isOpen" />
      <p class="mt-4 text-quiet">
        {{ $t('workshop.inflateSafely') }}
      </p>
      <div v-if="mayWork" class="mt-4 flex flex-wrap gap-2 print:hidden">
        <button
          type="button"
          class="button button-main min-h-11"
          :disabled="round.unsettled > 0 || waiting.length > 0 || isBusy"
          @click="attempt(() => end(id, false))"
        >
          Done: keep the sheet
        </button>
        <button
          v-if="round.unsettled > 0"
          type="button"
          class="button min-h-11"
          :disabled="isBusy"
          @click="attempt(() => end(id, true))"
        >
          Give the round up
        </button>
      </div>
      <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
    </template>
    <AdjustDialog
      :is-open="isAdjusting"
      :vehicle-ref="adjusted.vehicle"
      :position="adjusted.position"
      :take="(set) => keep({ ...adjusted, set })"
      @done="isAdjusting = false"
    />
  </div>
</template>
