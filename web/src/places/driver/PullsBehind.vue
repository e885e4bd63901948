<script setup lang="ts">
import { reactive, ref } from 'vue';
import { useCouplingActions, useCouplingProposals, useTrailers } from '@/api/couplings';
import type { DriverPage } from '@/api/driver';
import { useAttempt } from '@/shared/useAttempt';

/** What hangs behind the driver's vehicles: said by the driver, or asked where it is heard. */
const props = defineProps<{ pulls: DriverPage['pulls']; words: Record<string, string> }>();
const { couple, uncouple, deny } = useCouplingActions();
const { data: proposals } = useCouplingProposals();
const { trouble, isBusy, attempt } = useAttempt();

/** The vehicle for which a trailer is being chosen. */
const asking = ref('');
const { data: trailers } = useTrailers(() => Boolean(asking.value));
const chosen = reactive(new Map<string, string>());

const say = async (work: () => Promise<unknown>) => {
  const done = await attempt(work, undefined, { done: props.words['pull.thanks'] ?? '' });
  if (done) asking.value = '';
};
/** What comes next hangs behind what is last. */
const last = (pull: DriverPage['pulls'][number]) => pull.hooks.at(-1)?.pulled ?? pull.vehicle;
</script>

<template>
  <section v-if="pulls.length" :aria-label="words.pull">
    <h2>{{ words.pull }}</h2>
    <div v-for="pull in pulls" :key="pull.vehicle" class="mt-2 grid gap-2">
      <p class="figure font-medium">
        {{ pull.vehicle
        }}<template v-for="hook in pull.hooks" :key="hook.coupling"> → {{ hook.pulled }}</template>
      </p>
      <p v-if="!pull.hooks.length" class="text-quiet">{{ words['pull.nothing'] }}</p>
      <template v-for="one in proposals" :key="one.pulled">
        <div v-if="one.front === pull.vehicle" class="border-l-3 border-action pl-3">
          <p>
            <span class="figure font-medium">{{ one.pulled }}</span>&ensp;{{ words['pull.heard'] }}
          </p>
          <p class="mt-2 flex gap-3">
            <button
              type="button"
              class="button min-h-14 grow"
              :disabled="isBusy"
              @click="say(() => couple(one.pulled, last(pull), one.since))"
            >
              {{ words['pull.yes'] }}<span class="spoken">: {{ one.pulled }}</span>
            </button>
            <button
              type="button"
              class="button min-h-14 grow"
              :disabled="isBusy"
              @click="say(() => deny(one.pulled, one.front))"
            >
              {{ words['pull.no'] }}<span class="spoken">: {{ one.pulled }}</span>
            </button>
          </p>
        </div>
      </template>
      <button
        v-for="hook in pull.hooks.slice(-1)"
        :key="hook.coupling"
        type="button"
        class="button min-h-14"
        :disabled="isBusy"
        @click="say(() => uncouple(hook.coupling, null))"
      >
        {{ words['pull.uncouple'] }}: <span class="figure">{{ hook.pulled }}</span>
      </button>
      <button
        v-if="asking !== pull.vehicle"
        type="button"
        class="button min-h-14"
        @click="asking = pull.vehicle"
      >
        {{ words['pull.couple'] }}<span class="spoken">: {{ pull.vehicle }}</span>
      </button>
      <form
        v-else
        class="grid gap-2"
        @submit.prevent="say(() => couple(chosen.get(pull.vehicle) ?? '', last(pull), null))"
      >
        <label>
          {{ words['pull.which'] }}
          <select
            class="field mt-1 min-h-14"
            required
            :value="chosen.get(pull.vehicle) ?? ''"
            @change="chosen.set(pull.vehicle, ($event.target as HTMLSelectElement).value)"
          >
            <option value="" disabled></option>
            <option v-for="one in trailers" :key="one.ref" :value="one.ref">
              {{ one.ref }}{{ one.behind ? ` (${words['pull.behind']} ${one.behind})` : '' }}
            </option>
          </select>
        </label>
        <button type="submit" class="button button-main min-h-14" :disabled="isBusy">
          {{ words['pull.say'] }}
        </button>
      </form>
    </div>
    <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
  </section>
</template>
