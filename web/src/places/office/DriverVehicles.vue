<script setup lang="ts">
import { computed, ref } from 'vue';
import { useVehicleRefs } from '@/api/fleet';
import { useTeamActions, type TeamMember } from '@/api/team';
import { useAttempt } from '@/shared/useAttempt';

/** The vehicles that a driver sees, and the way to change them. */
const props = defineProps<{ driver: TeamMember }>();
const { assign } = useTeamActions();
const refs = useVehicleRefs();
const { trouble, attempt } = useAttempt();
const isChanging = ref(false);
const wanted = ref('');

const free = computed(() => refs.value.filter((one) => !props.driver.vehicles.includes(one)));
const list = computed(() => `refs-for-${props.driver.userName}`);

async function add(): Promise<void> {
  const ref = wanted.value.trim();
  if (await attempt(() => assign(props.driver.userName, [...props.driver.vehicles, ref]))) wanted.value = '';
}
const drop = (ref: string) =>
  attempt(() =>
    assign(
      props.driver.userName,
      props.driver.vehicles.filter((one) => one !== ref),
    ),
  );
</script>

<template>
  <div>
    <span v-if="!driver.vehicles.length" class="text-next">no vehicle yet</span>
    <span v-for="one in driver.vehicles" :key="one" class="mr-3 inline-flex items-baseline gap-1">
      <span class="figure">{{ one }}</span>
      <button
        v-if="isChanging"
        type="button"
        class="link"
        :aria-label="`${driver.displayName} no longer sees ${one}`"
        @click="drop(one)"
      >
        take away
      </button>
    </span>
    <button
      type="button"
      class="link"
      :aria-expanded="isChanging"
      :aria-label="`${isChanging ? 'Done with' : 'Change'} the vehicles of ${driver.displayName}`"
      @click="isChanging = !isChanging"
    >
      {{ isChanging ? 'Done' : 'Change' }}
    </button>
    <form v-if="isChanging" class="flex flex-wrap items-end gap-2 py-1" @submit.prevent="add">
      <label class="block"
        >Vehicle
        <input
          v-model="wanted"
          class="field figure mt-0.5 block w-32"
          :list="list"
          required
          autocomplete="off"
        />
        <datalist :id="list">
          <option v-for="one in free" :key="one" :value="one"></option>
        </datalist>
      </label>
      <button type="submit" class="button">Let them see it</button>
    </form>
    <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
  </div>
</template>
