<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { answer, http, type Schemas } from '@/api/client';
import { useSession } from '@/api/session';
import { verdictWords, VERDICTS } from '@/places/vehicles/rows';
import { useClock } from '@/shared/time';

/**
 * Who may leave, large enough to be read from a cab, made new by itself, and on paper. Whoever is not signed in shows a
 * token of the gate behind # in the address, which a browser sends to no server.
 */
const REFRESH_MILLIS = 20_000;
const OLD_MILLIS = 90_000;

type Line = Schemas['DepartureLine'];

const { account } = useSession();
const { now, at, age } = useClock();
const token = window.location.hash.slice(1);
const depot = ref(new URLSearchParams(window.location.search).get('depot') ?? '');

const { data, error } = useQuery({
  queryKey: ['departures', depot],
  queryFn: () =>
    answer(
      http.GET('/api/v1/departures', {
        params: { query: depot.value ? { depot: depot.value } : {} },
        headers: token ? { Authorization: `Bearer ${token}` } : {},
      }),
    ),
  refetchInterval: REFRESH_MILLIS,
  refetchIntervalInBackground: true,
  enabled: computed(() => Boolean(token || account.value)),
});
/** A list that is not made new says nothing of now. */
const isOld = computed(
  () => data.value && now.value.getTime() - new Date(data.value.at).getTime() > OLD_MILLIS,
);
const groups = computed(() =>
  VERDICTS.map((verdict) => ({
    verdict,
    lines: (data.value?.items ?? []).flatMap((item) =>
      item.vehicles
        .filter((line) => line.verdict === verdict)
        .map((line) => ({ ...line, depot: item.depot })),
    ),
  })).filter((group) => group.lines.length),
);
/** Where nobody tells of walks, that there was none says nothing. */
const areWalksTold = computed(() =>
  data.value?.items.some((item) => item.vehicles.some((line) => line.walkedAt)),
);
const HUES: Record<Line['verdict'], string> = {
  NOT_YET: 'border-stop text-stop',
  LOOK_FIRST: 'border-before text-before',
  MAY_LEAVE: 'border-ink text-ink',
};
const print = () => window.print();

function choose(): void {
  const url = new URL(window.location.href);
  if (depot.value) url.searchParams.set('depot', depot.value);
  else url.searchParams.delete('depot');
  window.history.replaceState(window.history.state, '', url);
}
</script>

<template>
  <div class="w-full px-6 py-4 text-lg" :class="{ 'opacity-60': isOld }">
    <div class="flex flex-wrap items-center gap-x-6 gap-y-2">
      <h1 class="text-3xl">Who may leave{{ depot ? `: ${depot}` : '' }}</h1>
      <label v-if="data && data.depots.length > 1" class="print:hidden">
        <span class="spoken">Depot</span>
        <select v-model="depot" class="field w-auto" @change="choose">
          <option value="">every depot</option>
          <option v-for="one in data.depots" :key="one">{{ one }}</option>
        </select>
      </label>
      <button type="button" class="button print:hidden" @click="print">Print</button>
      <p v-if="data" class="ml-auto text-quiet">
        as of <span class="figure">{{ at(data.at) }}</span>
      </p>
    </div>
    <p v-if="!token && !account" role="alert" class="mt-4">
      This screen needs a token of the gate. A manager makes one in the Office, under Receivers and tokens,
      and opens the address that is shown with it.
    </p>
    <p
      v-else-if="error || isOld"
      role="alert"
      class="mt-3 border-l-4 border-stop pl-3 text-xl font-semibold text-stop"
    >
      <template v-if="data">This list is {{ age(data.at) }} old. Do not go by it; ask the Desk.</template>
      {{ error?.message }}
    </p>
    <p v-else-if="!data" class="mt-4 text-quiet">Fetching …</p>
    <p v-if="data && !groups.length" class="mt-4">No vehicles at this depot.</p>

    <section v-for="group in groups" :key="group.verdict" class="mt-5">
      <h2 class="flex items-baseline gap-3 border-b-4 pb-1 text-2xl" :class="HUES[group.verdict]">
        {{ verdictWords(group.verdict) }} <span class="figure text-xl">{{ group.lines.length }}</span>
      </h2>
      <ul
        class="grid gap-x-8"
        :class="group.verdict === 'MAY_LEAVE' ? 'grid-cols-[repeat(auto-fill,minmax(15rem,1fr))]' : ''"
      >
        <li
          v-for="line in group.lines"
          :key="line.ref"
          class="flex flex-wrap items-baseline gap-x-5 border-b border-rule py-1.5 break-inside-avoid"
        >
          <span class="figure min-w-24 text-2xl font-semibold">{{ line.ref }}</span>
          <span class="figure min-w-22 text-quiet">{{ line.plate }}</span>
          <span v-if="line.reasons.length" class="min-w-0 grow basis-80">{{ line.reasons.join('; ') }}</span>
          <span v-if="areWalksTold" class="text-quiet">{{
            line.walkedAt ? `walked round ${at(line.walkedAt)}` : 'no walk round today'
          }}</span>
          <span v-if="!depot && line.depot && group.verdict !== 'MAY_LEAVE'" class="text-quiet">{{
            line.depot
          }}</span>
        </li>
      </ul>
    </section>
    <p class="mt-5 text-base text-quiet">
      As far as tyre sensors tell. The driver’s walk round the vehicle stays; makers’ data and local law go
      first.
    </p>
  </div>
</template>
