<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue';
import { useVehicleRefs, useVehicles } from '@/api/fleet';
import { tell } from '@/shared/tell';

/** Some vehicles, by ref: one typed after the other, or a whole depot. */
const chosen = defineModel<string[]>({ required: true });
const props = defineProps<{ most: number }>();

const { data: vehicles } = useVehicles();
const id = useId();
const wanted = ref('');
const strange = ref('');
const isWaiting = ref(false);
const refs = useVehicleRefs();
const free = computed(() => refs.value.filter((one) => !chosen.value.includes(one)));
const depots = computed(() =>
  [...new Set(vehicles.value?.items.map((one) => one.depot))].filter(
    (one): one is string => typeof one === 'string',
  ),
);
const isFull = computed(() => chosen.value.length >= props.most);

function add(these: string[]): void {
  const all = [...new Set([...chosen.value, ...these])].slice(0, props.most);
  tellChange(
    all.filter((one) => !chosen.value.includes(one)),
    'chosen',
    all.length,
  );
  chosen.value = all;
}
function leaveOut(it: string): void {
  chosen.value = chosen.value.filter((other) => other !== it);
  tellChange([it], 'left out', chosen.value.length);
}
function tellChange(these: string[], how: string, inAll: number): void {
  tell(`${these.length === 1 ? these[0] : `${these.length} vehicles`} ${how}; ${inAll} in all.`);
}
function addWanted(): void {
  const typed = wanted.value.trim().toUpperCase();
  const found = refs.value.find((one) => one.toUpperCase() === typed);
  strange.value = !found && vehicles.value && typed ? typed : '';
  // Typed before the list was there: taken once it is.
  isWaiting.value = !vehicles.value;
  if (found) {
    add([found]);
    wanted.value = '';
  }
}
watch(vehicles, () => isWaiting.value && addWanted());
function addDepot(event: Event): void {
  const field = event.target as HTMLSelectElement;
  add(vehicles.value?.items.filter((one) => one.depot === field.value).map((one) => one.ref) ?? []);
  field.value = '';
}
</script>

<template>
  <div>
    <div class="flex flex-wrap items-end gap-3">
      <label class="block"
        >Add a vehicle
        <input
          v-model="wanted"
          class="field figure mt-0.5 block w-36"
          :list="id"
          autocomplete="off"
          :disabled="isFull"
          @keydown.enter.prevent="addWanted"
          @change="addWanted"
        />
        <datalist :id="id">
          <option v-for="one in free" :key="one" :value="one"></option>
        </datalist>
      </label>
      <button type="button" class="button" :disabled="isFull || !wanted" @click="addWanted">Add</button>
      <label class="block" v-if="depots.length"
        >Or all of
        <select class="field mt-0.5 block w-44" :disabled="isFull" @change="addDepot">
          <option value="">a depot</option>
          <option v-for="one in depots" :key="one" :value="one">{{ one }}</option>
        </select>
      </label>
    </div>
    <p v-if="strange" role="alert" class="mt-1 text-stop">There is no vehicle {{ strange }}.</p>
    <ul v-if="chosen.length" class="mt-2 flex flex-wrap gap-x-4 gap-y-1" aria-label="Chosen vehicles">
      <li v-for="one in chosen" :key="one" class="flex items-baseline gap-1.5">
        <span class="figure">{{ one }}</span>
        <button type="button" class="link" :aria-label="`Leave ${one} out`" @click="leaveOut(one)">
          leave out
        </button>
      </li>
    </ul>
    <p v-if="isFull" class="mt-1 text-quiet">No more than {{ most }} at once.</p>
  </div>
</template>
