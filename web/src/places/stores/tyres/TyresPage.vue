<script setup lang="ts">
import { computed, ref } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { useSession } from '@/api/session';
import { useTyreActions, useTyres, type TyreRequest } from '@/api/tyres';
import AppDialog from '@/shared/AppDialog.vue';
import ChoiceRow from '@/shared/ChoiceRow.vue';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import { vStacked } from '@/shared/stacked';
import { dated } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';
import TyreForm from './TyreForm.vue';
import { chosenTyres, FILTERS, isOld, tyreWords, type TyreFilter } from './tyres';

/** Every tyre of which somebody wrote something down, or that was moved. */
const { data: tyres, error } = useTyres();
const { add } = useTyreActions();
const { mayHandleAlerts } = useSession();
const { trouble, faults, isBusy, attempt } = useAttempt();
const router = useRouter();
const filter = ref<TyreFilter>('all');
const wanted = ref('');
const isAdding = ref(false);
const place = ref('');

const shown = computed(() => chosenTyres(tyres.value?.items ?? [], filter.value, wanted.value));
const mm = (value: number | null | undefined) => (typeof value === 'number' ? value.toFixed(1) : '');

const take = (tyre: TyreRequest) =>
  attempt(
    async () => {
      const life = await add(tyre, place.value.trim() || null);
      isAdding.value = false;
      await router.push({ name: 'tyre', params: { id: life.tyre.id } });
    },
    'Taking the tyre in',
    { done: 'The tyre is in the store.' },
  );
</script>

<template>
  <section aria-label="Tyres">
    <p v-if="error && !tyres" role="alert" class="text-next">{{ error.message }}</p>
    <template v-else-if="tyres">
      <div class="flex flex-wrap items-end gap-x-6 gap-y-2">
        <label class="block"
          >Look for
          <input v-model="wanted" type="search" class="field mt-0.5 block w-64" />
        </label>
        <ChoiceRow v-model="filter" label="Show" :choices="FILTERS" />
        <button v-if="mayHandleAlerts" type="button" class="button ml-auto" @click="isAdding = true">
          Take a tyre in
        </button>
      </div>
      <p class="mt-2 text-quiet">
        {{ tyres.assumed }} {{ tyres.assumed === 1 ? 'wheel has' : 'wheels have' }} a tyre of which nothing is
        written down; it can be described on its vehicle’s page, and need not be.
      </p>
      <p v-if="!tyres.items.length" class="mt-3">
        No tyre is described yet. Take one in here, or describe those of a vehicle on its page.
      </p>
      <p v-else-if="!shown.length" class="mt-3">None is like that.</p>
      <SidewaysScroll v-else label="Tyres">
        <table v-stacked class="mt-2 w-full [&_td]:pr-4 [&_th]:pr-4">
          <thead class="text-quiet">
            <tr class="border-b border-rule text-left">
              <th scope="col" class="py-1 font-normal">Tyre</th>
              <th scope="col" class="font-normal">What it is</th>
              <th scope="col" class="font-normal">Where</th>
              <th scope="col" class="text-right font-normal">Tread, mm</th>
              <th scope="col" class="text-right font-normal">mm a month</th>
              <th scope="col" class="text-right font-normal">Worn down by</th>
              <th scope="col" class="text-right font-normal">Years</th>
              <th scope="col" class="font-normal">Look</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="tyre in shown" :key="tyre.id ?? tyre.place" class="border-b border-rule">
              <th scope="row" class="py-1 text-left font-medium">
                <RouterLink
                  class="max-sm:inline-flex max-sm:min-h-11 max-sm:min-w-11 max-sm:items-center"
                  :to="{ name: 'tyre', params: { id: tyre.id } }"
                  ><span class="spoken">Tyre </span>{{ tyre.id }}</RouterLink
                >
              </th>
              <td>{{ tyreWords(tyre) }}</td>
              <td>{{ tyre.place }}</td>
              <td class="figure text-right">{{ mm(tyre.treadMm) }}</td>
              <td class="figure text-right">{{ tyre.mmPerMonth?.toFixed(2) }}</td>
              <td class="figure text-right">
                {{ tyre.minimumAt ? dated(tyre.minimumAt).split(',')[0] : '' }}
              </td>
              <td class="figure text-right">{{ tyre.years }}</td>
              <td>
                <span v-if="tyre.markedBecause" class="font-medium text-stop">marked: inspect</span>
                <span v-else-if="tyre.isLow" class="text-next">tread low</span>
                <span v-else-if="isOld(tyre)" class="text-quiet">old</span>
              </td>
            </tr>
          </tbody>
        </table>
      </SidewaysScroll>
    </template>
    <p v-else class="text-quiet">Fetching the tyres …</p>
    <AppDialog :is-open="isAdding" title="Take a tyre in" @close="isAdding = false">
      <TyreForm class="mt-2" :is-busy="isBusy" :faults="faults" verb="Take it in" @done="take">
        <label class="block"
          >Where it lies
          <input v-model="place" class="field mt-0.5 block w-full" maxlength="100" />
        </label>
      </TyreForm>
      <p v-if="trouble" role="alert" class="mt-2 text-stop">
        {{ faults.length ? 'Nothing was stored; look at what is marked.' : trouble }}
      </p>
    </AppDialog>
  </section>
</template>
