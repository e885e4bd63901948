<script setup lang="ts">
import { useWindowVirtualizer } from '@tanstack/vue-virtual';
import { useElementBounding, useMediaQuery } from '@vueuse/core';
import { computed, ref, useTemplateRef, watch } from 'vue';
import { RouterLink } from 'vue-router';
import { useVehiclesFromTheFirst, type VehicleGlance } from '@/api/fleet';
import { useSession } from '@/api/session';
import VehicleRow from './VehicleRow.vue';
import CouplingProposals from './CouplingProposals.vue';
import { hooks, isChosen, lines, NO_CHOICE, pulledBy, type Choice, type Line } from './rows';

/** How is every vehicle, and which may leave? */

/** More than a screen has room for. */
const FIRST = 60;
const { data, isWhole, error } = useVehiclesFromTheFirst(FIRST);
const { isDriver, isManager } = useSession();
const choice = ref<Choice>({ ...NO_CHOICE });
const isDeparture = ref(false);

const NEEDS: [Choice['need'], string][] = [
  ['ALL', 'all vehicles'],
  ['SOME', 'with something open'],
  ['NONE', 'with nothing open'],
  ['UNWATCHED', 'with wheels not watched'],
];

const all = computed(() => data.value?.items ?? []);
const depots = computed(() =>
  [...new Set(all.value.map((vehicle) => vehicle.depot))].filter((depot) => typeof depot === 'string').sort(),
);
const found = computed(() => all.value.filter((vehicle) => isChosen(vehicle, choice.value)));
const isChoosing = computed(
  () =>
    isDeparture.value ||
    Boolean(choice.value.text.trim() || choice.value.depot) ||
    choice.value.need !== 'ALL',
);
const counts = computed(() =>
  isWhole.value
    ? {
        vehicles: found.value.length,
        wheels: found.value.reduce((sum, vehicle) => sum + vehicle.sensors.length, 0),
      }
    : { vehicles: data.value?.total ?? 0, wheels: data.value?.totalWheels ?? 0 },
);
/** On a phone there is room for one vehicle's strip in a line. */
const hasRoom = useMediaQuery('(width >= 40rem)');
const pulls = (vehicle: VehicleGlance) => (hasRoom.value ? pulledBy(vehicle, behind.value) : []);
/** Of all vehicles: what hangs behind one that was found may not be found itself. */
const behind = computed(() => hooks(all.value));
const rows = computed(() => lines(found.value, isDeparture.value));

/** Only what can be seen is drawn: a list may have thousands of lines. */
const HEADING = 44;
const ROW = 44;
/** Twins stand two deep on either side of the spine. */
const TWIN_ROW = 64;
function sizeOf(line: Line | undefined): number {
  if (!line || !('vehicle' in line)) return HEADING;
  const drawn = [line.vehicle, ...pulls(line.vehicle)];
  return drawn.some((one) => one.axles.some((axle) => axle.wheels === 'TWIN')) ? TWIN_ROW : ROW;
}
const list = useTemplateRef('list');
const { top } = useElementBounding(list);
const virtualizer = useWindowVirtualizer(
  computed(() => ({
    count: rows.value.length,
    estimateSize: (index: number) => sizeOf(rows.value[index]),
    overscan: 6,
    scrollMargin: Math.round(top.value + window.scrollY),
  })),
);
const drawn = computed(() =>
  virtualizer.value.getVirtualItems().flatMap((item) => {
    const line = rows.value[item.index];
    return line ? [{ line, index: item.index, start: item.start, size: item.size }] : [];
  }),
);
// Another order has other sizes in the same places.
watch(rows, () => virtualizer.value.measure());
const offset = computed(() => virtualizer.value.options.scrollMargin);
</script>

<template>
  <h1 class="spoken">Vehicles</h1>
  <p v-if="error && !data" role="alert" class="p-8 text-next">{{ error.message }}</p>
  <p v-else-if="!data" class="p-8 text-quiet">Fetching the vehicles …</p>
  <div v-else-if="!all.length && isDriver" class="m-auto max-w-md p-8">
    <h2 class="text-xl">No vehicle is assigned to you yet.</h2>
    <p class="mt-2 text-quiet">Ask a manager to let you see the ones you drive.</p>
  </div>
  <div v-else-if="!all.length" class="m-auto max-w-md p-8">
    <h2 class="text-xl">There are no vehicles yet.</h2>
    <p v-if="isManager" class="mt-2">
      <RouterLink :to="{ name: 'describe' }">Describe the first vehicle</RouterLink>, or
      <RouterLink to="/office/fleet">bring in a fleet document</RouterLink>, whose vehicles are in service at
      once.
    </p>
    <p v-else class="mt-2 text-quiet">Ask a manager to bring in the fleet.</p>
  </div>
  <div v-else class="px-5 pb-8">
    <div class="flex flex-wrap items-center gap-x-4 gap-y-2 py-3 print:hidden">
      <fieldset class="flex gap-1">
        <legend class="spoken">How the list is arranged</legend>
        <button type="button" class="button" :aria-pressed="!isDeparture" @click="isDeparture = false">
          By depot
        </button>
        <button type="button" class="button" :aria-pressed="isDeparture" @click="isDeparture = true">
          Departure list
        </button>
      </fieldset>
      <input
        v-model="choice.text"
        type="search"
        class="field w-64"
        placeholder="ref, plate, depot or sensor code"
        aria-label="Find by ref, plate, depot or sensor code"
        autocomplete="off"
      />
      <select v-model="choice.depot" class="field w-auto" aria-label="Depot">
        <option value="">every depot</option>
        <option v-for="depot in depots" :key="depot">{{ depot }}</option>
      </select>
      <select v-model="choice.need" class="field w-auto" aria-label="Which vehicles">
        <option v-for="[value, words] in NEEDS" :key="value" :value="value">{{ words }}</option>
      </select>
      <span class="text-quiet" aria-live="polite"
        ><span class="figure">{{ counts.vehicles }}</span>
        {{ counts.vehicles === 1 ? 'vehicle' : 'vehicles' }},
        <span class="figure">{{ counts.wheels }}</span> wheels</span
      >
      <RouterLink v-if="isManager" :to="{ name: 'describe' }" class="button ml-auto text-ink no-underline"
        >Describe a vehicle</RouterLink
      >
    </div>
    <CouplingProposals class="pb-3 print:hidden" />
    <p v-if="isDeparture && !isDriver" class="pb-2 print:hidden">
      <RouterLink to="/gate" class="way">Large, for the gate or on paper</RouterLink>
    </p>
    <p v-if="isDeparture" class="max-w-3xl pb-2 text-quiet">
      As far as tyre sensors tell. The driver’s walk round the vehicle stays; makers’ data and local law go
      first.
    </p>
    <p v-if="error && !isWhole" role="alert" class="py-2 text-next">
      {{ error.message }} These are the first.
    </p>
    <p v-else-if="isChoosing && !isWhole" class="py-6 text-quiet">Fetching all vehicles …</p>
    <p v-else-if="!found.length" class="py-6">
      No vehicle fits what you chose.
      <button type="button" class="link" @click="choice = { ...NO_CHOICE }">Show all</button>
    </p>
    <div v-else role="table" aria-label="Vehicles" :aria-rowcount="rows.length + 1">
      <div role="rowgroup">
        <div role="row" aria-rowindex="1" class="vehicle-line py-1 text-quiet">
          <span role="columnheader">Vehicle</span>
          <span role="columnheader" class="hidden min-[68rem]:block">Plate</span>
          <span role="columnheader">Front at the left, left wheels above</span>
          <span role="columnheader" class="hidden min-[52rem]:block">What is going on</span>
          <span role="columnheader" class="hidden text-right min-[68rem]:block">Last heard</span>
          <span role="columnheader" class="pl-5">{{ isDeparture ? 'Why' : 'Do' }}</span>
        </div>
      </div>
      <div ref="list" role="rowgroup" class="relative" :style="{ height: `${virtualizer.getTotalSize()}px` }">
        <template v-for="{ line, index, start, size } in drawn" :key="index">
          <div
            role="row"
            :aria-rowindex="index + 2"
            class="absolute inset-x-0"
            :class="'vehicle' in line ? 'vehicle-line border-t border-rule' : ''"
            :style="{ top: `${start - offset}px`, height: `${size}px` }"
          >
            <VehicleRow
              v-if="'vehicle' in line"
              :vehicle="line.vehicle"
              :pulls="pulls(line.vehicle)"
              :is-departure="isDeparture"
            />
            <div v-else role="rowheader" class="flex items-end gap-3 pt-4 font-semibold">
              {{ line.heading }} <span class="figure font-normal text-quiet">{{ line.count }}</span>
            </div>
          </div>
        </template>
      </div>
    </div>
  </div>
</template>
