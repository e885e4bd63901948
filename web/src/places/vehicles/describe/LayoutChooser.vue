<script setup lang="ts">
import { ref } from 'vue';
import { fetchDescription, useLayouts, type VehicleLayout } from '@/api/describe';
import { useVehicleRefs } from '@/api/fleet';
import AxleStrip from '@/shared/AxleStrip.vue';
import { draftOf, EMPTY, stripOf, type Draft } from './draft';

/** What a description starts from: a layout, or a vehicle that is like it. */
const emit = defineEmits<{ start: [draft: Draft] }>();

const { data: layouts } = useLayouts();
const like = ref('');
const refs = useVehicleRefs();

const isFarm = (layout: VehicleLayout) => ['FARM_TRACTOR', 'IMPLEMENT'].includes(layout.kind);

function startFrom(layout: VehicleLayout): void {
  emit('start', {
    ...EMPTY,
    kind: layout.kind,
    duty: isFarm(layout) ? 'FARM_ROAD' : 'GENERAL',
    axles: layout.axles,
  });
}

async function startLike(): Promise<void> {
  if (!refs.value.includes(like.value)) return;
  const { vehicle } = await fetchDescription(like.value);
  emit('start', { ...draftOf(vehicle), ref: '', plate: '' });
}
</script>

<template>
  <section>
    <h2 class="text-base">What does it look like?</h2>
    <p class="text-quiet">Choose what comes nearest; every axle can be changed afterwards.</p>
    <ul class="mt-3 grid gap-2 sm:grid-cols-2 lg:grid-cols-3">
      <li v-for="layout in layouts?.items" :key="layout.name">
        <button
          type="button"
          class="flex h-full w-full cursor-pointer items-center justify-between gap-4 rounded-[3px] border border-rule px-3 py-2 text-left hover:border-action"
          @click="startFrom(layout)"
        >
          <span>{{ layout.words }}</span>
          <span aria-hidden="true"
            ><AxleStrip :vehicle="stripOf({ ref: layout.words, axles: layout.axles, spares: 0 })"
          /></span>
        </button>
      </li>
    </ul>
    <form class="mt-5 flex flex-wrap items-end gap-2" @submit.prevent="startLike">
      <label>
        Or like a vehicle of the fleet
        <input
          v-model="like"
          class="field figure mt-0.5 w-52"
          list="refs"
          placeholder="LM-21"
          autocomplete="off"
        />
      </label>
      <datalist id="refs">
        <option v-for="one in refs" :key="one" :value="one"></option>
      </datalist>
      <button type="submit" class="button" :disabled="!refs.includes(like)">Start from it</button>
    </form>
  </section>
</template>
