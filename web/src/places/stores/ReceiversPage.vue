<script setup lang="ts">
import { computed, reactive, ref } from 'vue';
import { RouterLink } from 'vue-router';
import { useReceivers, type ReceiverItem } from '@/api/couplings';
import { useVehicles } from '@/api/fleet';
import { useSession } from '@/api/session';
import { useDepots } from '@/api/targets';
import { useClock } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';
import { vStacked } from '@/shared/stacked';
import { namesIn, wordsOf } from '@/shared/vocabulary';

/** Receivers and repeaters: those heard come by themselves, where each is people say. */
const { data, error, describe, forget } = useReceivers();
const { mayHandleAlerts } = useSession();
const { data: fleet } = useVehicles(mayHandleAlerts);
const { data: depots } = useDepots();
const { age } = useClock();
const { trouble, isBusy, attempt } = useAttempt();

const search = ref('');
const shown = computed(() => {
  const wanted = search.value.trim().toLowerCase();
  return (data.value?.items ?? []).filter((one) =>
    [one.name, one.vehicle, one.depot, one.place].some((text) => text?.toLowerCase().includes(wanted)),
  );
});

/** What is being written; nothing where no form is open. */
const form = reactive({
  isOpen: false,
  isNew: false,
  name: '',
  kind: 'RECEIVER',
  where: '',
  place: '',
  power: '',
});

function open(one?: ReceiverItem): void {
  form.isOpen = true;
  form.isNew = !one;
  form.name = one?.name ?? '';
  form.kind = one?.kind ?? 'RECEIVER';
  form.where = one?.depot ? `depot ${one.depot}` : one?.vehicle ? `vehicle ${one.vehicle}` : '';
  form.place = one?.place ?? '';
  form.power = one?.power ?? '';
}

async function store(): Promise<void> {
  const [what, ...rest] = form.where.split(' ');
  const where = rest.join(' ');
  const done = await attempt(
    () =>
      describe(form.name.trim(), {
        kind: form.kind as ReceiverItem['kind'],
        vehicle: what === 'vehicle' ? where : null,
        depot: what === 'depot' ? where : null,
        place: form.place || null,
        power: (form.power || null) as NonNullable<ReceiverItem['power']> | null,
      }),
    undefined,
    { done: `What is known of ${form.name} is written down.` },
  );
  if (done) form.isOpen = false;
}

const whereWords = (one: ReceiverItem) =>
  one.vehicle
    ? one.isAssumed
      ? `with ${one.vehicle}, as it seems`
      : `with ${one.vehicle}`
    : (one.depot ?? 'not said');
</script>

<template>
  <section aria-label="Receivers and repeaters">
    <p v-if="error && !data" role="alert" class="text-next">{{ error.message }}</p>
    <p v-else-if="!data" class="text-quiet">Fetching …</p>
    <template v-else>
      <p class="max-w-2xl text-quiet">
        A reading may name the receiver that heard it; then it is told here which trailer hangs behind which
        vehicle. A receiver that nobody placed is taken to ride with the one vehicle that it hears on the
        road.
      </p>
      <div class="mt-3 flex flex-wrap items-end gap-3">
        <label v-if="data.items.length > 10">
          Search
          <input v-model="search" type="search" class="field mt-0.5 block w-56" autocomplete="off" />
        </label>
        <button v-if="mayHandleAlerts" type="button" class="button" @click="open()">
          Write down a repeater or receiver
        </button>
      </div>
      <p v-if="!data.items.length" class="mt-3">
        None was named yet. Let readings carry <code class="figure">receiver</code>, or bind a token to one
        under <RouterLink :to="{ name: 'receivers' }">Receivers and tokens</RouterLink>.
      </p>
      <form
        v-if="form.isOpen"
        class="mt-3 flex flex-wrap items-end gap-3 border-l-3 border-action pl-3"
        aria-label="What and where it is"
        @submit.prevent="store"
      >
        <label>
          Name
          <input
            v-model="form.name"
            class="field mt-0.5 block w-44"
            required
            maxlength="60"
            pattern="[A-Za-z0-9\-_.:]+"
            title="Letters, digits and - _ . :"
            autocomplete="off"
            :readonly="!form.isNew"
          />
        </label>
        <label>
          What it is
          <select v-model="form.kind" class="field mt-0.5 block">
            <option v-for="one in namesIn('receiverKinds')" :key="one" :value="one">
              {{ wordsOf('receiverKinds', one) }}
            </option>
          </select>
        </label>
        <label>
          Where
          <select v-model="form.where" class="field mt-0.5 block w-52">
            <option value="">not said</option>
            <optgroup label="Stays at">
              <option v-for="one in depots" :key="one.name" :value="`depot ${one.name}`">
                {{ one.name }}
              </option>
            </optgroup>
            <optgroup label="Rides with">
              <option v-for="one in fleet?.items" :key="one.ref" :value="`vehicle ${one.ref}`">
                {{ one.ref }}
              </option>
            </optgroup>
          </select>
        </label>
        <label>
          Where on it
          <input
            v-model="form.place"
            class="field mt-0.5 block w-52"
            maxlength="200"
            placeholder="such as: rear cross-member"
            autocomplete="off"
          />
        </label>
        <label>
          Lives on
          <select v-model="form.power" class="field mt-0.5 block">
            <option value="">not said</option>
            <option v-for="one in namesIn('powerKinds')" :key="one" :value="one">
              {{ wordsOf('powerKinds', one) }}
            </option>
          </select>
        </label>
        <button type="submit" class="button min-h-11" :disabled="isBusy">Store it</button>
        <button type="button" class="link min-h-11" @click="form.isOpen = false">Leave it</button>
      </form>
      <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
      <table v-if="shown.length" v-stacked class="mt-3 w-full [&_td]:pr-4 [&_th]:pr-4">
        <thead class="text-quiet">
          <tr class="border-b border-rule">
            <th scope="col" class="py-1 font-normal">Name</th>
            <th scope="col" class="font-normal">Where</th>
            <th scope="col" class="font-normal">Lives on</th>
            <th scope="col" class="text-right font-normal">Readings</th>
            <th scope="col" class="text-right font-normal">Last heard a sensor</th>
            <th scope="col"><span class="spoken">Change it</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in shown" :key="one.name" class="border-b border-rule">
            <th scope="row" class="py-1.5 font-medium">
              <span class="figure break-all">{{ one.name }}</span>
              <span v-if="one.kind !== 'RECEIVER'" class="text-quiet">
                {{ wordsOf('receiverKinds', one.kind) }}</span
              >
            </th>
            <td>
              <span :class="{ 'text-quiet': one.isAssumed || (!one.vehicle && !one.depot) }">{{
                whereWords(one)
              }}</span><span v-if="one.place" class="text-quiet">, {{ one.place }}</span>
            </td>
            <td class="text-quiet">{{ one.power ? wordsOf('powerKinds', one.power) : '' }}</td>
            <td class="figure text-right">{{ one.readings || '' }}</td>
            <td class="figure text-right">{{ one.lastHeardAt ? `${age(one.lastHeardAt)} ago` : 'never' }}</td>
            <td class="text-right whitespace-nowrap">
              <template v-if="mayHandleAlerts">
                <button type="button" class="link" @click="open(one)">
                  {{ one.isAssumed ? 'Confirm or change' : 'Change'
                  }}<span class="spoken"> {{ one.name }}</span>
                </button>
                <button
                  type="button"
                  class="link ml-3"
                  :disabled="isBusy"
                  @click="
                    attempt(() => forget(one.name), undefined, {
                      done: `${one.name} is forgotten; it is known again once it is heard.`,
                    })
                  "
                >
                  Forget<span class="spoken"> {{ one.name }}</span>
                </button>
              </template>
            </td>
          </tr>
        </tbody>
      </table>
    </template>
  </section>
</template>
