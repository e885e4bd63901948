<script setup lang="ts">
import { computed } from 'vue';
import { useVehicles } from '@/api/fleet';
import { useDeedKinds, type DeedKind, type LogbookFilter } from '@/api/logbook';
import { useTeam, useTokens } from '@/api/team';

/** Narrows the logbook: by vehicle and wheel, by whom, by kind, by days, by words. */
const filter = defineModel<LogbookFilter>({ required: true });

const { data: vehicles } = useVehicles();
const { data: team } = useTeam();
const { data: tokens } = useTokens();
const { data: kinds } = useDeedKinds();

type Wanted = { [K in keyof LogbookFilter]: LogbookFilter[K] | undefined };

function set(change: Wanted): void {
  filter.value = Object.fromEntries(
    Object.entries({ ...filter.value, ...change }).filter(([, value]) => value),
  );
}
const given = (event: Event) => (event.target as HTMLInputElement).value.trim();

/** Kind and name in one value, so that one list serves for all who do things. */
const author = computed(() =>
  filter.value.author ? `${filter.value.authorKind ?? 'PERSON'} ${filter.value.author}` : '',
);
function setAuthor(value: string): void {
  const gap = value.indexOf(' ');
  set({
    authorKind: (value.slice(0, Math.max(0, gap)) || undefined) as LogbookFilter['authorKind'],
    author: value.slice(gap + 1),
  });
}

/** A vehicle counts once it is one that there is. */
function setVehicle(typed: string): void {
  const found = vehicles.value?.items.find((one) => one.ref.toUpperCase() === typed.toUpperCase());
  set({ vehicle: found?.ref ?? '', position: '' });
}

/** The first moment of a day, or of the one after it, by the reader's clock. */
function moment(day: string, isAfter: boolean): string {
  if (!day) return '';
  const date = new Date(`${day}T00:00`);
  if (isAfter) date.setDate(date.getDate() + 1);
  return date.toISOString();
}
function day(time: string | undefined, isAfter: boolean): string {
  if (!time) return '';
  const date = new Date(time);
  if (isAfter) date.setDate(date.getDate() - 1);
  const two = (value: number) => String(value).padStart(2, '0');
  return `${String(date.getFullYear())}-${two(date.getMonth() + 1)}-${two(date.getDate())}`;
}
</script>

<template>
  <div
    role="search"
    aria-label="Narrow the logbook"
    class="grid grid-cols-2 gap-x-4 gap-y-3 lg:grid-cols-4 [&_label]:grid [&_label]:min-w-0 [&_label]:content-start [&_label]:gap-0.5"
  >
    <label class="col-span-2"
      >Words
      <input
        type="search"
        class="field"
        placeholder="a ref, a code, a reason …"
        :value="filter.text"
        @change="set({ text: given($event) })"
    /></label>
    <label
      >By whom
      <select class="field" :value="author" @change="setAuthor(given($event))">
        <option value="">anybody</option>
        <option v-for="member in team?.items" :key="member.userName" :value="`PERSON ${member.userName}`">
          {{ member.displayName }}
        </option>
        <option v-for="token in tokens?.items" :key="token.id" :value="`TOKEN ${token.name}`">
          token “{{ token.name }}”
        </option>
        <option value="JUDGE judge">the judge</option>
        <option value="SCHEDULE schedule">the product</option>
      </select></label
    >
    <label
      >What
      <select class="field" :value="filter.kind ?? ''" @change="set({ kind: given($event) as DeedKind })">
        <option value="">anything</option>
        <option v-for="kind in kinds?.items" :key="kind.kind" :value="kind.kind">{{ kind.words }}</option>
      </select></label
    >
    <label
      >Vehicle
      <input
        class="field"
        list="logbook-vehicles"
        autocomplete="off"
        placeholder="any"
        :value="filter.vehicle"
        @change="setVehicle(given($event))"
      />
      <datalist id="logbook-vehicles">
        <option v-for="vehicle in vehicles?.items" :key="vehicle.ref" :value="vehicle.ref" />
      </datalist>
    </label>
    <label
      >Wheel
      <input
        class="field"
        autocomplete="off"
        :placeholder="filter.vehicle ? 'any' : 'of a vehicle'"
        :disabled="!filter.vehicle"
        :value="filter.position"
        @change="set({ position: given($event).toUpperCase() })"
    /></label>
    <label
      >From
      <input
        type="date"
        class="field"
        :value="day(filter.from, false)"
        @change="set({ from: moment(given($event), false) })"
    /></label>
    <label
      >To
      <input
        type="date"
        class="field"
        :value="day(filter.to, true)"
        @change="set({ to: moment(given($event), true) })"
    /></label>
  </div>
</template>
