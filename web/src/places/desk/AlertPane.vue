<script setup lang="ts">
import { useMediaQuery, useWindowSize } from '@vueuse/core';
import { computed, ref, useTemplateRef, watch } from 'vue';
import { RouterLink } from 'vue-router';
import type { Act } from '@/api/alertActs';
import type { AlertItem } from '@/api/live';
import { useCombination } from '@/api/couplings';
import { useChart, type AlertDetail, type VehicleItem } from '@/api/fleet';
import { useSession } from '@/api/session';
import CombinationStrip from '@/shared/CombinationStrip.vue';
import EvidenceChart from '@/shared/EvidenceChart.vue';
import LogbookPart from '@/shared/LogbookPart.vue';
import { placeWords } from '@/shared/position';
import { useClock } from '@/shared/time';
import { useUnits } from '@/shared/units';
import { alertStateWords, urgencyText, urgencyWords } from '@/shared/urgency';
import UrgencyMark from '@/shared/UrgencyMark.vue';
import { wordsOf } from '@/shared/vocabulary';
import AlertHandling from './AlertHandling.vue';
import AlertNotes from './AlertNotes.vue';
import AlertRecord from './AlertRecord.vue';
import SensorExchange from './SensorExchange.vue';
import DriverSaid from './DriverSaid.vue';
import ToldList from './ToldList.vue';
import SafetyNotes from './SafetyNotes.vue';
import WheelFigures from './WheelFigures.vue';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import SpanChoice from '@/shared/SpanChoice.vue';

/** One alert: what happens, the evidence, what to do. */
const props = defineProps<{
  detail: AlertDetail;
  vehicle: VehicleItem | undefined;
  mayHandle: boolean;
  mayNote: boolean;
  /** What it stands for beside itself. */
  behind: AlertItem[];
  /** Whether keys are for it, and not for others that are chosen. */
  hasKeys: boolean;
  trouble: string;
}>();
const emit = defineEmits<{ act: [what: Act]; takeBack: []; instruct: [] }>();

const units = useUnits();
const { isDriver } = useSession();
const isBookOpen = ref(false);
const { at, now } = useClock();
const { height } = useWindowSize();
/** Whether there is a column at the right. */
const isWide = useMediaQuery('(width >= 80rem)');
const SPANS: [number, string][] = [
  [3, '3 h'],
  [12, '12 h'],
  [72, '3 days'],
  [504, '21 days'],
];
const hours = ref(props.detail.chartHours);

const item = computed(() => props.detail.item);
watch(
  () => props.detail.item.id,
  () => (hours.value = props.detail.chartHours),
);
const wheel = computed(() => props.vehicle?.wheels.find((w) => w.position === item.value.position));
const combination = useCombination(() => props.vehicle);
const shownPosition = computed(() => props.detail.shownPosition ?? undefined);
const { data: chart } = useChart(() =>
  item.value.vehicle && shownPosition.value
    ? {
        vehicle: item.value.vehicle,
        position: shownPosition.value,
        hours: hours.value,
        to: item.value.closedAt ?? undefined,
      }
    : undefined,
);

const notes = useTemplateRef('notes');
const heading = useTemplateRef('heading');
defineExpose({ focusNote: () => notes.value?.focus(), focusHeading: () => heading.value?.focus() });

/** Where it goes from here, if it goes on like this. */
const outlook = computed(() => {
  const { criticalAt, state } = item.value;
  // The same moment that the sentence above and the queue count to.
  return state !== 'CLOSED' && criticalAt && new Date(criticalAt) > now.value
    ? `By the clock it reaches its second limit at about ${at(criticalAt)}.`
    : undefined;
});

const STEPS: Record<string, string> = {
  OPENED: 'opened',
  GREW: 'grew',
  RETURNED: 'back',
  RECOVERED: 'in band',
};
const events = computed(() =>
  props.detail.record.flatMap((entry) => {
    const label = STEPS[entry.change];
    return label ? [{ at: entry.at, label }] : [];
  }),
);
/** A lower window has no room for a larger strip above the whole of the evidence. */
const TALL = 900;
/** What is left of the window under everything else. */
const chartHeight = computed(() => Math.max(160, Math.min(460, height.value - 640)));
</script>

<template>
  <div class="grid xl:grid-cols-[1fr_285px]">
    <article class="min-w-0 px-6 py-4">
      <p class="flex flex-wrap items-center gap-2">
        <UrgencyMark :urgency="item.urgency" />
        <span class="font-semibold" :class="urgencyText(item.urgency)">{{
          urgencyWords(item.urgency, detail.isParked)
        }}</span>
        <span class="text-quiet">
          opened <span class="figure">{{ at(item.openedAt) }}</span>, {{ alertStateWords(item.state)
          }}<template v-if="detail.shelvedUntil"> until {{ at(detail.shelvedUntil) }}</template
          ><template v-if="item.closedOn">, {{ wordsOf('closedOn', item.closedOn) }}</template
          ><template v-if="item.verdict">; {{ wordsOf('verdicts', item.verdict) }}</template>
        </span>
      </p>
      <h2 ref="heading" tabindex="-1" data-home class="mt-1 text-[21px] leading-tight text-balance">
        {{ item.summary }}
      </h2>
      <p v-if="item.driver && !isDriver" class="mt-1"><DriverSaid :said="item.driver" /></p>
      <p v-if="outlook" class="mt-1 max-w-2xl font-medium sm:text-[15px]">{{ outlook }}</p>
      <p class="mt-1.5 max-w-2xl sm:text-[15px]">{{ item.advice }}</p>

      <!-- On a narrow screen the column at the right comes last; what can hurt somebody must not, nor must acting. -->
      <SafetyNotes v-if="!isWide" class="max-w-2xl border-l-3 border-stop pl-3" :notes="detail.safety" />
      <AlertHandling
        class="mt-3 xl:hidden"
        :item="item"
        :behind="behind"
        :has-keys="hasKeys"
        :is-run-soft="detail.isRunSoft"
        :may-handle="mayHandle"
        :trouble="trouble"
        @act="emit('act', $event)"
        @instruct="emit('instruct')"
      />

      <template v-if="vehicle">
        <p class="mt-3 text-quiet">
          <RouterLink :to="{ name: 'vehicle', params: { vehicleRef: vehicle.ref } }" class="figure">{{
            vehicle.ref
          }}</RouterLink>, front at the left, {{ units.pressureSymbol.value }} at {{ units.reference.value }}
        </p>
        <SidewaysScroll label="The vehicle’s axles">
          <CombinationStrip
            :vehicles="combination"
            size="page"
            :chosen-in="vehicle.ref"
            :chosen="shownPosition"
            :grow="height < TALL ? 1 : 1.3"
          />
        </SidewaysScroll>
      </template>

      <template v-if="chart && detail.limits && shownPosition">
        <div class="mt-3 mb-2 flex flex-wrap items-center justify-between gap-x-4 gap-y-1">
          <h3>{{ placeWords(shownPosition) }}</h3>
          <SpanChoice v-model="hours" :spans="SPANS" />
        </div>
        <EvidenceChart
          :chart="chart"
          :limits="detail.limits"
          :name="`${item.vehicle} ${placeWords(shownPosition)}`"
          :events="events"
          :height="chartHeight"
        />
      </template>

      <section v-if="behind.length" class="mt-3" aria-labelledby="behind">
        <h3 id="behind">It stands for these too</h3>
        <ul class="mt-1 list-disc pl-5">
          <li v-for="other in behind" :key="other.id">
            <RouterLink :to="{ name: 'desk', params: { id: other.id } }">{{ other.summary }}</RouterLink>
          </li>
        </ul>
      </section>
      <p v-if="item.sameCauseAs" class="mt-3">
        Counted as one cause with
        <RouterLink :to="{ name: 'desk', params: { id: item.sameCauseAs } }">another alert</RouterLink>, which
        stands for it until it gets worse.
      </p>

      <section class="mt-3" aria-labelledby="likely">
        <h3 id="likely">What is likely behind it</h3>
        <ol class="mt-1 list-decimal pl-5">
          <li v-for="cause in detail.causes" :key="cause.likely">
            <span class="font-medium">{{ cause.likely }}.</span> {{ cause.because }}
          </li>
        </ol>
      </section>

      <h3 v-if="detail.reasons.length" class="mt-3">The figures</h3>
      <ul class="mt-1 list-disc pl-5">
        <li v-for="reason in detail.reasons" :key="reason">{{ reason }}</li>
      </ul>
    </article>

    <aside class="border-rule bg-raised px-5 py-4 xl:border-l" aria-label="What to do">
      <AlertHandling
        class="hidden xl:block"
        :item="item"
        :behind="behind"
        :has-keys="hasKeys"
        :is-run-soft="detail.isRunSoft"
        :may-handle="mayHandle"
        :trouble="trouble"
        @act="emit('act', $event)"
        @instruct="emit('instruct')"
      />
      <SensorExchange
        v-if="detail.exchangeWith && mayHandle"
        :key="item.id"
        class="mt-4 border-rule pt-4 xl:border-t"
        :detail="detail"
        :other="detail.exchangeWith"
      />
      <ToldList v-if="!isDriver" class="mt-4 border-t border-rule pt-4" :alert-id="item.id" />
      <SafetyNotes v-if="isWide" :notes="detail.safety" />

      <WheelFigures
        v-if="wheel"
        class="mt-4 border-t border-rule pt-4"
        :wheel="wheel"
        :limits="detail.limits"
      />
      <AlertNotes v-if="mayNote" ref="notes" class="mt-4 border-t border-rule pt-4" :alert-id="item.id" />
      <AlertRecord
        class="mt-4 border-t border-rule pt-4"
        :record="detail.record"
        :alert-id="item.id"
        :can-be-taken-back="detail.canBeTakenBack && mayHandle"
        @take-back="emit('takeBack')"
      />
      <details
        v-if="!isDriver"
        class="mt-3"
        @toggle="isBookOpen = ($event.target as HTMLDetailsElement).open"
      >
        <summary class="cursor-pointer text-quiet">Its part of the logbook, with before and after</summary>
        <LogbookPart v-if="isBookOpen" class="mt-1" :filter="{ alert: item.id }" :limit="20" />
      </details>
    </aside>
  </div>
</template>
