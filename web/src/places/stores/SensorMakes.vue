<script setup lang="ts">
import { useSession } from '@/api/session';
import { useSensorMakes, useTargetActions } from '@/api/targets';
import { mountWords } from '@/places/workshop/job';
import PressureField from '@/shared/PressureField.vue';
import { useAttempt } from '@/shared/useAttempt';

/** What the fleet's sensors are, mount by mount: how far they measure, and against what. */
const { data: makes } = useSensorMakes();
const { setMake } = useTargetActions();
const { isManager } = useSession();
const { trouble, attempt } = useAttempt();
type Make = NonNullable<typeof makes.value>[number];

const change = (make: Make, how: Partial<Make>) =>
  attempt(() =>
    setMake(make.mount, {
      isVented: make.isVented,
      rangeKpa: make.rangeKpa ?? null,
      ...how,
    }),
  );
</script>

<template>
  <section aria-labelledby="makes">
    <h2 id="makes" class="text-base">What our sensors are</h2>
    <p class="max-w-3xl text-quiet">
      By the maker’s data sheet. Most take a fixed amount off the absolute pressure and do not follow height
      and weather, as a hand gauge does; a vented one does follow. A limit beyond the range would never be
      raised.
    </p>
    <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
    <ul class="mt-1 border-t border-rule">
      <li
        v-for="make in makes"
        :key="make.mount"
        class="grid items-start gap-x-6 border-b border-rule py-2 sm:grid-cols-[14rem_16rem_1fr]"
      >
        <span class="pt-6 font-medium first-letter:uppercase">{{ mountWords(make.mount) }}</span>
        <PressureField
          v-if="isManager"
          :model-value="make.rangeKpa ?? null"
          :label="`Measures up to`"
          is-optional
          @update:model-value="change(make, { rangeKpa: $event })"
        />
        <span v-else>{{ make.rangeKpa ? `up to ${make.rangeKpa} kPa` : 'range not known' }}</span>
        <label class="flex items-center gap-2 pt-6"
          ><input
            type="checkbox"
            :checked="make.isVented"
            :disabled="!isManager"
            @change="change(make, { isVented: ($event.target as HTMLInputElement).checked })"
          />
          vented: follows height and weather</label
        >
      </li>
    </ul>
  </section>
</template>
