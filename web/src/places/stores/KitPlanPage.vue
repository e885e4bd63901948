<script setup lang="ts">
import { computed } from 'vue';
import { RouterLink } from 'vue-router';
import { useSession } from '@/api/session';
import { useKitPlan, useStoreActions } from '@/api/stores';
import { mountWords } from '@/shared/position';
import { dated } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';
import PickList from './PickList.vue';
import { usePeople } from '@/api/people';

/** A plan that is kept: printed, put aside, handed out. */
const props = defineProps<{ id: string }>();

const { nameOf } = usePeople();
const { data: plan, error } = useKitPlan(() => props.id);
const { step } = useStoreActions();
const { mayHandleAlerts } = useSession();
const { trouble, isBusy, attempt } = useAttempt();

const STATES = {
  PLANNED: 'Nothing lies aside for it yet.',
  RESERVED: 'What there is lies aside for it.',
  HANDED_OUT: 'What lay aside was handed out.',
};
const isShort = computed(() =>
  plan.value?.lines.some((line) => !line.isTool && line.reserved < line.needed && line.free > 0),
);
const isAnyAside = computed(() => plan.value?.lines.some((line) => line.reserved > 0));
const print = () => window.print();
</script>

<template>
  <div class="w-full max-w-5xl px-5 py-4">
    <p class="print:hidden"><RouterLink class="way" :to="{ name: 'kit-plans' }">‹ Kit plans</RouterLink></p>
    <p v-if="error && !plan" role="alert" class="mt-2 text-next">{{ error.message }}</p>
    <template v-else-if="plan">
      <div class="mt-1 flex flex-wrap items-baseline gap-x-4">
        <h1 class="text-xl">Kit plan {{ plan.id }}</h1>
        <span class="text-quiet">{{ plan.madeAt ? dated(plan.madeAt) : '' }}, {{ nameOf(plan.madeBy) }}</span>
        <span class="ml-auto flex gap-2 print:hidden">
          <a class="button" :href="`/api/v1/kit-plans/${id}/pick-list.csv`" download>As CSV</a>
          <button type="button" class="button" @click="print">Print</button>
        </span>
      </div>
      <p class="mt-1">
        For <span class="figure">{{ plan.vehicles.join(', ') }}</span>;
        {{ plan.preference.map(mountWords).join(', else ') }};
        {{ plan.tyresComeOff ? 'the tyres come off' : 'the tyres stay on' }}; {{ plan.sparePercent }} % to
        spare.
      </p>
      <p role="status" class="mt-1 font-medium">{{ STATES[plan.state] }}</p>
      <div
        v-if="mayHandleAlerts && plan.state !== 'HANDED_OUT'"
        class="mt-2 flex flex-wrap gap-2 print:hidden"
      >
        <button
          v-if="plan.state === 'PLANNED' || isShort"
          type="button"
          class="button"
          :class="{ 'button-main': plan.state === 'PLANNED' }"
          :disabled="isBusy"
          @click="attempt(() => step(id, 'reserve'))"
        >
          {{ plan.state === 'PLANNED' ? 'Put it aside' : 'Put aside what came in' }}
        </button>
        <template v-if="plan.state === 'RESERVED'">
          <button
            type="button"
            class="button button-main"
            :disabled="isBusy || !isAnyAside"
            @click="attempt(() => step(id, 'hand-out'))"
          >
            Hand it out
          </button>
          <button type="button" class="button" :disabled="isBusy" @click="attempt(() => step(id, 'release'))">
            Let it go again
          </button>
        </template>
      </div>
      <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
      <h2 class="mt-4 text-base">Pick list</h2>
      <PickList :plan="plan" />
    </template>
  </div>
</template>
