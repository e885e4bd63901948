<script setup lang="ts">
import { computed } from 'vue';
import type { KitPlan } from '@/api/stores';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import { hours } from './mounts';
import { vStacked } from '@/shared/stacked';

/** What a plan takes: the pick list, what speaks against single wheels, and the hours. */
const props = defineProps<{ plan: KitPlan }>();

const parts = computed(() => props.plan.lines.filter((line) => !line.isTool));
const tools = computed(() => props.plan.lines.filter((line) => line.isTool));
const missing = computed(() => props.plan.lines.filter((line) => line.missing > 0));
/** Wheels of a vehicle about which the same is to be said, together. */
const said = computed(() => {
  const groups = new Map<string, { vehicle: string; positions: string[]; words: string[] }>();
  for (const wheel of props.plan.wheels.filter((one) => one.words.length || !one.sensor)) {
    const key = `${wheel.vehicle} ${wheel.words.join()}`;
    const group = groups.get(key) ?? { vehicle: wheel.vehicle, positions: [], words: wheel.words };
    group.positions.push(wheel.position);
    groups.set(key, group);
  }
  return [...groups.values()];
});
const bareWords = computed(() => {
  const wheels = props.plan.wheels.length;
  const vehicles = new Set(props.plan.wheels.map((one) => one.vehicle)).size;
  const rest = props.plan.vehicles.length - vehicles;
  if (!wheels) return 'Every wheel of these vehicles has a sensor already.';
  const bare = `${wheels} ${wheels === 1 ? 'wheel' : 'wheels'} without a sensor`;
  return rest
    ? `${bare}, at ${vehicles} of ${props.plan.vehicles.length} vehicles; the others have all of theirs.`
    : `${bare}.`;
});
const asideWords = computed(() => (props.plan.state === 'HANDED_OUT' ? 'Handed out' : 'Aside'));
</script>

<template>
  <div>
    <p class="mt-2">
      {{ bareWords }}
      <strong>{{ hours(plan.minutes) }}</strong> of one person’s work, an estimate.
      <template v-if="missing.length"
        >To be bought or borrowed:
        {{ missing.map((line) => `${line.missing} × ${line.words}`).join(', ') }}.</template
      >
      <template v-else>Everything is in the store.</template>
    </p>
    <SidewaysScroll label="Pick list">
      <table v-stacked class="mt-2 w-full max-w-3xl [&_td]:py-1 [&_td]:pr-4 [&_th]:pr-4">
        <thead class="text-quiet">
          <tr class="border-b border-rule">
            <th scope="col" class="font-normal">Item</th>
            <th scope="col" class="text-right font-normal">Needed</th>
            <th scope="col" class="text-right font-normal">{{ asideWords }}</th>
            <th scope="col" class="text-right font-normal">Free</th>
            <th scope="col" class="text-right font-normal">Missing</th>
          </tr>
        </thead>
        <tbody v-for="group in [parts, tools]" :key="group === tools ? 'tools' : 'parts'">
          <tr v-if="group === tools && tools.length">
            <th scope="rowgroup" colspan="5" class="pt-2 font-normal text-quiet">Tools, which come back</th>
          </tr>
          <tr v-for="line in group" :key="line.item" class="border-b border-rule">
            <th scope="row" class="font-medium">{{ line.words }}</th>
            <td class="figure text-right">{{ line.needed }}</td>
            <td class="figure text-right">{{ line.reserved || '' }}</td>
            <td class="figure text-right text-quiet">{{ line.free }}</td>
            <td class="figure text-right" :class="{ 'font-semibold text-next': line.missing }">
              {{ line.missing || '' }}
            </td>
          </tr>
        </tbody>
      </table>
    </SidewaysScroll>
    <template v-if="said.length || plan.notes.length">
      <h3 class="mt-4 font-medium">To look at before</h3>
      <ul class="mt-1 max-w-3xl list-disc pl-5">
        <li v-for="group in said" :key="`${group.vehicle} ${group.positions}`">
          <span class="figure">{{ group.vehicle }} {{ group.positions.join(', ') }}</span
          >: {{ group.words.join(' ') }}
        </li>
        <li v-for="note in plan.notes" :key="note">{{ note }}</li>
      </ul>
    </template>
    <p class="mt-3 max-w-3xl text-quiet">
      Counts follow common practice. The sensor maker’s list and instructions go first; tyres are dismounted
      by trained people only.
    </p>
  </div>
</template>
