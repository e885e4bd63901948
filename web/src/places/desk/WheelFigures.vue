<script setup lang="ts">
import type { Schemas } from '@/api/client';
import type { WheelState } from '@/api/fleet';
import { useClock } from '@/shared/time';
import { deviationWords, useUnits } from '@/shared/units';

/** A wheel's figures now, and how old they are. */
defineProps<{ wheel: WheelState; limits: Schemas['WheelLimits'] | null | undefined }>();

const units = useUnits();
const { age } = useClock();
</script>

<template>
  <section>
    <h3>This wheel</h3>
    <dl class="mt-1 grid grid-cols-[1fr_auto] gap-y-1">
      <template v-if="typeof wheel.pressureKpa === 'number'">
        <dt class="text-quiet">Gauge now</dt>
        <dd class="figure text-right">{{ units.pressureWords(wheel.pressureKpa) }}</dd>
      </template>
      <template v-if="typeof wheel.pressureAt20Kpa === 'number'">
        <dt class="text-quiet">At {{ units.reference.value }}</dt>
        <dd class="figure text-right">{{ units.pressureWords(wheel.pressureAt20Kpa) }}</dd>
      </template>
      <template v-if="limits">
        <dt class="text-quiet">Target</dt>
        <dd class="figure text-right">{{ units.pressureWords(limits.targetKpa) }}</dd>
        <template v-if="limits.coldKpa !== limits.targetKpa">
          <dt class="text-quiet">Cold target, at {{ units.temperatureWords(limits.referenceC) }}</dt>
          <dd class="figure text-right">{{ units.pressureWords(limits.coldKpa) }}</dd>
        </template>
      </template>
      <template v-if="typeof wheel.deviation === 'number'">
        <dt class="text-quiet">Deviation</dt>
        <dd class="text-right">{{ deviationWords(wheel.deviation) }}</dd>
      </template>
      <template v-if="typeof wheel.temperatureC === 'number'">
        <dt class="text-quiet">Temperature</dt>
        <dd class="figure text-right">{{ units.temperatureWords(wheel.temperatureC) }}</dd>
      </template>
      <dt class="text-quiet">Last heard</dt>
      <dd class="text-right">{{ wheel.at ? `${age(wheel.at)} ago` : 'never' }}</dd>
      <dt class="text-quiet">Sensor</dt>
      <dd class="figure text-right">{{ wheel.sensor ?? 'none' }}</dd>
    </dl>
  </section>
</template>
