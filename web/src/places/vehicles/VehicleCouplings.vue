<script setup lang="ts">
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import { useCouplingActions, useCouplings, useTrailers, type CouplingItem } from '@/api/couplings';
import type { VehicleItem } from '@/api/fleet';
import { useSession } from '@/api/session';
import { usePeople } from '@/api/people';
import { dated, useClock } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';
import { wordsOf } from '@/shared/vocabulary';
import CouplingProposals from './CouplingProposals.vue';

/** What a vehicle hangs behind and what hangs behind it, now and before. */
const props = defineProps<{ vehicle: VehicleItem }>();

const { data } = useCouplings(() => props.vehicle.ref);
const { couple, uncouple, forget } = useCouplingActions();
const { mayHandleAlerts, isDriver } = useSession();
const { age } = useClock();
const { nameOf } = usePeople();
const { trouble, isBusy, attempt } = useAttempt();

const isAsking = ref(false);
const { data: trailers } = useTrailers(isAsking);
const trailer = ref('');
const since = ref('');

const refs = computed(() => props.vehicle.combination);
const last = computed(() => refs.value.at(-1) ?? props.vehicle.ref);
const open = computed(() => data.value?.items.filter((one) => !one.to) ?? []);
const past = computed(() => data.value?.items.filter((one) => one.to) ?? []);
const MAY_PULL = ['TRACTOR_UNIT', 'RIGID_TRUCK', 'FARM_TRACTOR', 'SEMI_TRAILER', 'DRAWBAR_TRAILER', 'DOLLY'];
const mayCouple = computed(
  () => (mayHandleAlerts.value || isDriver.value) && MAY_PULL.includes(props.vehicle.kind),
);

async function hookUp(): Promise<void> {
  const at = since.value ? new Date(since.value).toISOString() : null;
  const done = await attempt(() => couple(trailer.value, last.value, at), undefined, {
    done: `${trailer.value} hangs behind ${last.value}.`,
  });
  if (!done) return;
  isAsking.value = false;
  trailer.value = '';
  since.value = '';
}
const by = (one: CouplingItem) =>
  one.by
    ? `${wordsOf('couplingSources', one.source)} (${nameOf(one.by)})`
    : wordsOf('couplingSources', one.source);
</script>

<template>
  <section class="mt-2 print:mt-1" aria-label="Coupling">
    <CouplingProposals :vehicle-ref="vehicle.ref" />
    <p v-if="refs.length > 1" class="mt-1">
      One combination:
      <template v-for="(one, i) in refs" :key="one"
        ><template v-if="i"> → </template
        ><strong v-if="one === vehicle.ref" class="figure font-semibold">{{ one }}</strong
        ><RouterLink v-else :to="{ name: 'vehicle', params: { vehicleRef: one } }" class="figure">{{
          one
        }}</RouterLink></template
      >
    </p>
    <p v-for="one in open" :key="one.id" class="flex flex-wrap items-center gap-x-4 gap-y-1">
      <span class="text-quiet">
        <span class="figure">{{ one.pulled }}</span> behind <span class="figure">{{ one.puller }}</span> since
        {{ dated(one.from) }}, {{ by(one) }}
      </span>
      <button
        v-if="mayHandleAlerts || isDriver"
        type="button"
        class="link print:hidden"
        :disabled="isBusy"
        @click="
          attempt(() => uncouple(one.id, null), undefined, {
            done: `${one.pulled} is uncoupled from ${one.puller}.`,
          })
        "
      >
        Uncouple<span class="spoken"> {{ one.pulled }} from {{ one.puller }}</span>
      </button>
    </p>
    <p v-if="mayCouple && !isAsking" class="print:hidden">
      <button type="button" class="link" @click="isAsking = true">
        Couple {{ last === vehicle.ref ? 'a trailer' : `another behind ${last}` }}
      </button>
    </p>
    <form v-if="isAsking" class="mt-1 flex flex-wrap items-end gap-3" @submit.prevent="hookUp">
      <label>
        What hangs behind {{ last }}?
        <select v-model="trailer" class="field mt-0.5 block w-64" required>
          <option value="" disabled></option>
          <option v-for="one in trailers" :key="one.ref" :value="one.ref" :disabled="refs.includes(one.ref)">
            {{ one.ref }}{{ one.behind ? `, now behind ${one.behind}` : one.depot ? `, ${one.depot}` : '' }}
          </option>
        </select>
      </label>
      <label>
        Since, if not now
        <input v-model="since" type="datetime-local" class="field mt-0.5 block" />
      </label>
      <button type="submit" class="button min-h-11" :disabled="isBusy">Couple it</button>
      <button type="button" class="link min-h-11" @click="isAsking = false">Leave it</button>
    </form>
    <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
    <details v-if="past.length" class="mt-1">
      <summary class="cursor-pointer text-quiet">Who pulled whom before ({{ past.length }})</summary>
      <ul class="mt-1">
        <li v-for="one in past" :key="one.id" class="flex flex-wrap items-center gap-x-4">
          <span>
            <span class="figure">{{ one.pulled }}</span> behind <span class="figure">{{ one.puller }}</span>,
            {{ dated(one.from) }} to {{ one.to ? dated(one.to) : '' }}
            <span class="text-quiet"
              >{{ by(one) }}<template v-if="one.to">; ended {{ age(one.to) }} ago</template></span
            >
          </span>
          <button
            v-if="mayHandleAlerts"
            type="button"
            class="link print:hidden"
            :disabled="isBusy"
            @click="
              attempt(() => forget(one.id), undefined, {
                done: 'It is taken out; the logbook keeps that it was said.',
              })
            "
          >
            It never was<span class="spoken">: {{ one.pulled }} behind {{ one.puller }}</span>
          </button>
        </li>
      </ul>
    </details>
  </section>
</template>
