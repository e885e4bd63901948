<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { useColdOutlook, useRoundActions } from '@/api/rounds';
import { useSession } from '@/api/session';
import { useDepots } from '@/api/targets';
import TemperatureField from '@/shared/TemperatureField.vue';
import { useClock } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';
import { deviationWords, useUnits } from '@/shared/units';

/** Before the cold: what every wheel will read on such a morning, and rounds that let it start at its target. */
const MOST = 20;
const depot = ref('');
const morning = ref<number | null>(null);
const {
  data: outlook,
  error,
  isFetching,
} = useColdOutlook(() => ({ depot: depot.value, morning: morning.value }));
const { data: depots } = useDepots();
const { mayHandleAlerts } = useSession();
const { open } = useRoundActions();
const units = useUnits();
const { age } = useClock();
const router = useRouter();
const { trouble, isBusy, attempt } = useAttempt();

/** Whether those are shown too that stay within their limits, and only start below their target. */
const areAll = ref(false);
const below = computed(
  () => outlook.value?.items.filter((one) => one.wheels.some((w) => w.isBelowFirst)) ?? [],
);
const under = computed(() => outlook.value?.items.filter((one) => one.wheels.length) ?? []);
const needing = computed(() => (areAll.value ? under.value : below.value));
const unheard = computed(() => outlook.value?.items.filter((one) => one.unheard) ?? []);
/** Whoever needs it most is gone to first; nobody carries a hose to fifty vehicles at once. */
const chosen = ref<string[]>([]);
watch(needing, (list) => {
  chosen.value = list.slice(0, MOST).map((one) => one.ref);
});
const hours = computed(() => {
  const minutes = needing.value.reduce((sum, one) => sum + one.minutes, 0);
  return minutes < 90 ? `${minutes} minutes` : `${Math.round(minutes / 30) / 2} hours`;
});
const isHigh = computed(() => needing.value.some((one) => one.wheels.some((wheel) => wheel.isHighWhenMild)));
const print = () => window.print();

const begin = () =>
  attempt(async () => {
    const round = await open({ vehicles: chosen.value, airC: outlook.value?.morningC ?? null });
    await router.push({ name: 'round', params: { id: round.id } });
  });
</script>

<template>
  <div class="max-w-5xl px-5 py-4">
    <p class="print:hidden"><RouterLink class="way" to="/workshop">‹ Workshop</RouterLink></p>
    <div class="mt-1 flex flex-wrap items-baseline gap-3">
      <h1 class="text-xl">Before the cold</h1>
      <button type="button" class="button ml-auto print:hidden" @click="print">Print</button>
    </div>
    <p class="max-w-2xl text-quiet">
      Cold on a placard means at the air of that morning: tyres that were right in mild weather stand lower in
      frost though nothing leaks. The makers’ data and local law go first.
    </p>
    <div class="mt-3 flex flex-wrap items-end gap-3 print:hidden">
      <label
        >Depot
        <select v-model="depot" class="field mt-0.5 block w-52">
          <option value="">every depot</option>
          <option v-for="one in depots" :key="one.name" :value="one.name">{{ one.name }}</option>
        </select>
      </label>
      <TemperatureField
        v-model="morning"
        class="w-52"
        label="Expected morning"
        :placeholder="
          typeof outlook?.lastWeekC === 'number'
            ? `${units.temperatureNumber(outlook.lastWeekC)}, last week’s coldest`
            : ''
        "
      />
    </div>
    <p v-if="error && !outlook" role="alert" class="mt-3 text-next">{{ error.message }}</p>
    <p v-else-if="!outlook" class="mt-3 text-quiet">Reckoning …</p>
    <template v-else>
      <p class="mt-4 text-[15px]" role="status">
        <span :class="{ 'opacity-60': isFetching }">
          At {{ units.temperatureWords(outlook.morningC)
          }}<template v-if="!outlook.isStated">, as cold as last week’s mornings were</template>:
          <strong class="font-semibold"
            >{{ outlook.belowFirst }} {{ outlook.belowFirst === 1 ? 'wheel stands' : 'wheels stand' }} below
            the first limit</strong
          ><template v-if="outlook.belowSecond">, {{ outlook.belowSecond }} below the second</template>.
          <template v-if="needing.length"> Filling their vehicles takes about {{ hours }}.</template>
        </span>
      </p>
      <p v-if="isHigh" class="mt-1 max-w-2xl border-l-3 border-before pl-3">
        Some would be above their upper limit at 20 °C once they are filled for that morning. Fill those
        nearer to the cold, or in two steps.
      </p>
      <p class="mt-1 max-w-2xl text-quiet print:hidden">
        If tyres are to keep that air for the season, say under
        <RouterLink :to="{ name: 'limits' }">Limits</RouterLink> at what temperature targets hold; what it
        comes to is shown first.
      </p>
      <label
        v-if="under.length > below.length"
        class="mt-2 inline-flex min-h-11 items-center gap-2 print:hidden"
      >
        <input v-model="areAll" type="checkbox" />
        Show also the {{ under.length - below.length }} vehicles that only start below their target
      </label>
      <p v-if="!needing.length" class="mt-3">
        No wheel that was heard will stand below a limit on such a morning.
      </p>
      <form v-else class="mt-3" @submit.prevent="begin">
        <ul
          class="border-t border-rule"
          aria-label="Vehicles that need air before such a morning, whoever needs it most first"
        >
          <li v-for="one in needing" :key="one.ref" class="border-b border-rule py-2 break-inside-avoid">
            <p class="flex flex-wrap items-center gap-x-3">
              <label
                v-if="mayHandleAlerts"
                class="inline-flex min-h-6 items-center max-sm:min-h-11 print:hidden"
              >
                <input
                  v-model="chosen"
                  type="checkbox"
                  :value="one.ref"
                  :disabled="chosen.length >= MOST && !chosen.includes(one.ref)"
                /><span class="spoken">{{ one.ref }} in the round</span>
              </label>
              <RouterLink
                :to="{ name: 'vehicle', params: { vehicleRef: one.ref } }"
                class="figure font-medium"
                >{{ one.ref }}</RouterLink
              >
              <span v-if="one.depot && !depot" class="text-quiet">{{ one.depot }}</span>
              <span class="text-quiet">about {{ one.minutes }} minutes</span>
            </p>
            <ul class="mt-1 grid grid-cols-[repeat(auto-fill,minmax(18rem,1fr))] gap-x-6 gap-y-1">
              <li v-for="wheel in one.wheels" :key="wheel.position" class="grid grid-cols-[2.75rem_1fr]">
                <span class="figure font-medium">{{ wheel.position }}</span>
                <span>
                  will read
                  <span class="figure" :class="{ 'font-semibold text-next': wheel.isBelowSecond }">{{
                    units.pressureWords(wheel.morningKpa)
                  }}</span>,
                  <span :class="wheel.isBelowFirst ? 'font-medium' : 'text-quiet'"
                    >{{ deviationWords(wheel.morningShare)
                    }}<template v-if="wheel.isBelowSecond">, below the second limit</template
                    ><template v-else-if="wheel.isBelowFirst">, below the first limit</template></span
                  >
                  <span v-if="wheel.hasRunSoft" class="block font-medium text-stop"
                    >do not inflate: it was run soft</span
                  >
                  <span v-else-if="wheel.isLeaking" class="block font-medium text-next"
                    >it leaks: find that first, filling is no repair</span
                  >
                  <span v-else-if="wheel.isUnderAlert" class="block font-medium text-next">{{
                    $t('workshop.seeAlert')
                  }}</span>
                  <span v-else-if="wheel.addKpa" class="block"
                    >add {{ units.pressureWords(wheel.addKpa) }} at {{ units.temperatureWords(wheel.tyreC) }}
                    <span class="text-quiet">({{ age(wheel.at) }} ago)</span></span
                  >
                </span>
              </li>
            </ul>
          </li>
        </ul>
        <p v-if="mayHandleAlerts" class="mt-3 flex flex-wrap items-center gap-3 print:hidden">
          <button type="submit" class="button button-main" :disabled="!chosen.length || isBusy">
            Begin a round with {{ chosen.length }} {{ chosen.length === 1 ? 'vehicle' : 'vehicles' }}
          </button>
          <span class="text-quiet">for that morning’s air; at most {{ MOST }} in one round</span>
        </p>
        <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
      </form>
      <p v-if="unheard.length" class="mt-4 max-w-3xl text-quiet">
        Not heard for a week, so take the hand gauge:
        <template v-for="(one, i) in unheard" :key="one.ref"
          ><template v-if="i">, </template><span class="figure">{{ one.ref }}</span> ({{ one.unheard }}
          {{ one.unheard === 1 ? 'wheel' : 'wheels' }})</template
        >.
      </p>
    </template>
  </div>
</template>
