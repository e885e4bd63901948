<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { RouterLink, useRoute, useRouter } from 'vue-router';
import { useCombination } from '@/api/couplings';
import { useChart, useVehicle } from '@/api/fleet';
import { useSession } from '@/api/session';
import CombinationStrip from '@/shared/CombinationStrip.vue';
import EvidenceChart from '@/shared/EvidenceChart.vue';
import LogbookPart from '@/shared/LogbookPart.vue';
import { placeWords, vehicleKindWords } from '@/shared/position';
import { useClock } from '@/shared/time';
import { limitsAt } from '@/shared/limits';
import { useUnits } from '@/shared/units';
import { urgencyText, urgencyWords } from '@/shared/urgency';
import UrgencyMark from '@/shared/UrgencyMark.vue';
import LimitsSheet from './LimitsSheet.vue';
import VehicleAlerts from './VehicleAlerts.vue';
import VehicleCouplings from './VehicleCouplings.vue';
import VehicleNuts from './VehicleNuts.vue';
import VehicleSignal from './VehicleSignal.vue';
import VehicleStanding from './VehicleStanding.vue';
import VehicleTyres from './VehicleTyres.vue';
import WheelSheet from './WheelSheet.vue';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import SpanChoice from '@/shared/SpanChoice.vue';
import AdjustDialog from './AdjustDialog.vue';

/** Everything about one vehicle. */
const props = defineProps<{ vehicleRef: string }>();

const { vehicle, isPending, error } = useVehicle(() => props.vehicleRef);
const units = useUnits();
const { age, at, now } = useClock();
const SPANS: [number, string][] = [
  [24, '24 h'],
  [24 * 21, '21 days'],
  [24 * 365, 'a year'],
];
const hours = ref(24);
const { isDriver, mayHandleAlerts } = useSession();
const isAdjusting = ref(false);

const combination = useCombination(vehicle);
const hasSensors = computed(() => vehicle.value?.wheels.some((wheel) => wheel.sensor));
const print = () => window.print();

const route = useRoute();
const router = useRouter();
/** The jump box names a wheel; after that the choice is made here. */
const picked = ref<string>();
watch(
  () => [props.vehicleRef, route.query.wheel],
  ([, wheel]) => (picked.value = typeof wheel === 'string' ? wheel : undefined),
  { immediate: true },
);
/** Without a choice the wheel that needs most is shown, otherwise the first that has a sensor. */
const chosen = computed(
  () =>
    picked.value ??
    vehicle.value?.alerts.find((alert) => alert.position)?.position ??
    vehicle.value?.wheels.find((wheel) => wheel.sensor)?.position,
);
/** A wheel of another vehicle of the combination is looked at on that one's page. */
function choose(of: string, position: string): void {
  if (of === props.vehicleRef) picked.value = position;
  else void router.push({ name: 'vehicle', params: { vehicleRef: of }, query: { wheel: position } });
}
const limits = computed(() =>
  vehicle.value && chosen.value ? limitsAt(vehicle.value, chosen.value) : undefined,
);
const { data: chart } = useChart(() =>
  chosen.value && vehicle.value?.wheels.find((wheel) => wheel.position === chosen.value)?.sensor
    ? { vehicle: props.vehicleRef, position: chosen.value, hours: hours.value }
    : undefined,
);
</script>

<template>
  <div v-if="error && !vehicle" class="p-8">
    <p role="alert" class="text-next">{{ error.message }}</p>
    <p class="mt-2"><RouterLink class="way" to="/vehicles">All vehicles</RouterLink></p>
  </div>
  <p v-else-if="isPending" class="p-8 text-quiet">Fetching the vehicle …</p>
  <div v-else-if="!vehicle" class="p-8">
    <h1 class="text-xl">There is no vehicle {{ vehicleRef }}.</h1>
    <p class="mt-2"><RouterLink class="way" to="/vehicles">All vehicles</RouterLink></p>
  </div>
  <div v-else class="px-6 py-4">
    <p class="print:hidden"><RouterLink class="way" to="/vehicles">Vehicles</RouterLink></p>
    <p class="hidden print:block">Vivid Caravan, printed {{ at(now) }}</p>
    <div class="mt-1 flex flex-wrap items-baseline gap-x-5">
      <h1 class="figure text-2xl">{{ vehicle.ref }}</h1>
      <span class="figure">{{ vehicle.plate }}</span>
      <span class="text-quiet">{{ vehicleKindWords(vehicle.kind) }}</span>
      <span v-if="vehicle.depot" class="text-quiet">{{ vehicle.depot }}</span>
      <span class="text-quiet">{{
        vehicle.lastHeardAt ? `last heard ${age(vehicle.lastHeardAt)} ago` : 'not heard yet'
      }}</span>
      <span class="ml-auto"></span>
      <RouterLink
        class="way print:hidden"
        :to="{ name: 'vehicle-history', params: { vehicleRef: vehicle.ref } }"
        >Pressures day by day</RouterLink
      >
      <RouterLink
        v-if="!isDriver"
        class="way print:hidden"
        :to="{ name: 'inspection-sheet', params: { vehicleRef: vehicle.ref } }"
        >Inspection sheet</RouterLink
      >
      <button type="button" class="button print:hidden" @click="print">Print</button>
    </div>

    <VehicleStanding :vehicle="vehicle" />
    <VehicleCouplings :vehicle="vehicle" />
    <VehicleNuts v-if="!isDriver" :vehicle-ref="vehicle.ref" />
    <p v-if="!hasSensors" class="mt-3 max-w-2xl">
      No sensor sits on this vehicle, so nothing is known of its tyres. Fit them in the
      <RouterLink to="/workshop">Workshop</RouterLink>; until then use a hand gauge.
    </p>
    <ul v-if="vehicle.alerts.length" class="mt-3 border-t border-rule">
      <li
        v-for="alert in vehicle.alerts"
        :key="alert.id"
        class="flex flex-wrap gap-x-2.5 border-b border-rule py-1.5 sm:flex-nowrap"
      >
        <span class="mt-1"><UrgencyMark :urgency="alert.urgency" /></span>
        <span class="w-32 shrink-0 font-semibold" :class="urgencyText(alert.urgency)">{{
          urgencyWords(alert.urgency)
        }}</span>
        <RouterLink :to="{ name: 'desk', params: { id: alert.id } }" class="text-ink">{{
          alert.summary
        }}</RouterLink>
      </li>
    </ul>

    <div class="mt-4 grid gap-x-8 gap-y-6 xl:grid-cols-[minmax(0,39rem)_1fr]">
      <section class="min-w-0" :class="{ 'xl:col-span-2': combination.length > 1 }">
        <p class="mb-1 text-quiet">
          Front at the left, left wheels above, {{ units.pressureSymbol.value }} at
          {{ units.reference.value }}
        </p>
        <SidewaysScroll label="The vehicle’s axles">
          <CombinationStrip
            :vehicles="combination"
            size="page"
            is-interactive
            :grow="1.4"
            :chosen-in="vehicle.ref"
            :chosen="chosen"
            @choose="choose"
          />
        </SidewaysScroll>
      </section>
      <section class="min-w-0">
        <h2 class="mb-1 text-base">Wheel sheet</h2>
        <WheelSheet :vehicle="vehicle" :chosen="chosen" @choose="picked = $event" />
      </section>
      <section
        v-if="chosen"
        class="min-w-0 xl:col-start-2"
        :class="combination.length > 1 ? 'xl:row-start-2' : 'xl:row-span-2 xl:row-start-1'"
      >
        <h2 class="mb-1 text-base">
          <span class="figure">{{ chosen }}</span> {{ placeWords(chosen) }}
        </h2>
        <div class="mb-2 flex flex-wrap justify-between gap-2 print:hidden">
          <SpanChoice v-model="hours" :spans="SPANS" />
          <button v-if="mayHandleAlerts" type="button" class="button" @click="isAdjusting = true">
            Record a pressure that was set
          </button>
        </div>
        <EvidenceChart
          v-if="chart && limits"
          :chart="chart"
          :limits="limits"
          :name="`${vehicle.ref} ${placeWords(chosen)}`"
        />
        <p v-else class="text-quiet">
          {{
            vehicle.wheels.find((wheel) => wheel.position === chosen)?.sensor
              ? 'Fetching its readings …'
              : 'No sensor sits at this wheel.'
          }}
        </p>
      </section>
    </div>
    <AdjustDialog
      v-if="chosen"
      :is-open="isAdjusting"
      :vehicle-ref="vehicle.ref"
      :position="chosen"
      @done="isAdjusting = false"
    />
    <VehicleTyres v-if="!isDriver" class="mt-7" :vehicle-ref="vehicle.ref" />
    <VehicleSignal class="mt-7" :vehicle-ref="vehicle.ref" />
    <LimitsSheet class="mt-7" :vehicle="vehicle" />
    <VehicleAlerts class="mt-7" :vehicle-ref="vehicle.ref" />
    <section v-if="!isDriver" class="mt-7 max-w-4xl" aria-labelledby="vehicle-logbook">
      <h2 id="vehicle-logbook" class="mb-1 text-base">Logbook</h2>
      <LogbookPart :filter="{ vehicle: vehicle.ref }" />
    </section>
  </div>
</template>
