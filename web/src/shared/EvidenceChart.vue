<script setup lang="ts">
import { useElementSize, useEventListener } from '@vueuse/core';
import uPlot from 'uplot';
import { computed, onBeforeUnmount, ref, useTemplateRef, watch } from 'vue';
import type { Schemas } from '@/api/client';
import { useDemo } from '@/api/demo';
import type { EvidenceChart } from '@/api/fleet';
import { CHANGE_LABELS } from './changes';
import EvidenceTable from './EvidenceTable.vue';
import { useSession } from '@/api/session';
import {
  cssColour,
  drawBand,
  drawDoubtful,
  drawEvents,
  drawLine,
  drawOutlook,
  endSeconds,
  plotData,
  type Event,
  type Line,
} from './plot';
import { useClock } from './time';
import { useUnits } from './units';
import { tell } from './tell';
import { useZoom, type Range } from './zoom';
import { useKeys } from './keys';

/** Two panels on one time axis: a wheel's pressure at 20 °C against its limits and its siblings' band, and its temperature. */
const props = withDefaults(
  defineProps<{
    chart: EvidenceChart;
    limits: Schemas['WheelLimits'];
    name: string;
    events?: Event[];
    height?: number;
  }>(),
  { events: () => [], height: 300 },
);

const units = useUnits();
const { demo } = useDemo();
const isGrowing = computed(() => demo.value !== undefined && demo.value.progress < 1);
const { at: clockAt } = useClock();
const { preferences } = useSession();
const box = useTemplateRef('box');
const { width } = useElementSize(box);
/** Temperature has its own panel below; where there is little room it gives some away too. */
const temperatureHeight = computed(() => Math.max(100, Math.min(140, Math.round(props.height * 0.65))));
/** From this width on the names of the limits stand beside the picture and not in it. */
const WIDE = 560;
const BESIDE = 112;
const isBeside = computed(() => width.value >= WIDE);
const LEFT = 58;
const FONT = () => `${12 * devicePixelRatio}px "IBM Plex Sans Condensed", sans-serif`;
const AXIS_FONT = '12px "Sometype Mono Variable", monospace';

const whole = computed<Range>(() => [new Date(props.chart.from).getTime() / 1000, endSeconds(props.chart)]);
const { range, isZoomed, show, closer, wider, all } = useZoom(whole);
/** What was judged and what was done, as ticks. */
const ticks = computed<Event[]>(() =>
  [
    ...props.events,
    ...props.chart.changes.map((change) => ({ at: change.at, label: CHANGE_LABELS[change.kind] })),
  ].sort((a, b) => a.at.localeCompare(b.at)),
);

const doubtful = computed(() =>
  props.chart.doubtful.map((point) => ({
    at: point.at,
    value: units.toPressure(point.pressureKpa),
    words: units.pressureNumber(point.pressureKpa),
  })),
);
const data = computed(() => plotData(props.chart, units.toPressure, units.toTemperature));
const cursor = ref<number>();
let plots: uPlot[] = [];

function lines(): Line[] {
  const { limits } = props;
  const basis = limits.basis === 'COMPENSATED' ? '' : ' (on the gauge)';
  const line = (kpa: number, label: string, colour: string, isDashed: boolean): Line => ({
    value: units.toPressure(kpa),
    label: `${label} ${units.pressureNumber(kpa)}`,
    colour: cssColour(colour),
    isDashed,
  });
  return [
    line(limits.highKpa, `over${basis}`, '--before', true),
    line(limits.targetKpa, 'target', '--quiet', false),
    line(limits.lowKpa, `first limit${basis}`, '--next', true),
    line(limits.lowCriticalKpa, `second limit${basis}`, '--stop', false),
  ];
}

/** The values of a column that lie in what is looked at. */
function inRange(column: (number | null)[]): number[] {
  const [from, to] = range.value;
  return column.filter((value, i): value is number => {
    const second = data.value.times[i] ?? 0;
    return value !== null && second >= from && second <= to;
  });
}

function pressureRange(): { min: number; max: number } {
  const { limits } = props;
  const seen = [...inRange(data.value.at20), ...inRange(data.value.gauge)];
  const band = props.chart.siblings.flatMap((s) => [units.toPressure(s.lowKpa), units.toPressure(s.highKpa)]);
  if (isZoomed.value && seen.length) {
    const pad = Math.max(
      units.toPressure(8) - units.toPressure(0),
      (Math.max(...seen) - Math.min(...seen)) * 0.2,
    );
    return { min: Math.min(...seen) - pad, max: Math.max(...seen) + pad };
  }
  const low = Math.min(units.toPressure(limits.lowCriticalKpa), ...seen, ...band);
  const high = Math.max(units.toPressure(limits.targetKpa * 1.05), ...seen, ...band);
  const pad = (high - low) * 0.07;
  return { min: low - pad, max: high + pad };
}

/** Always wide enough to show how far it is to the warning temperature. */
function temperatureRange(): { min: number; max: number } {
  const seen = inRange(data.value.temperature);
  const limit = units.toTemperature(props.limits.temperatureC);
  return { min: Math.min(limit, ...seen) - 4, max: Math.max(limit, ...seen) + 8 };
}

function axis(): uPlot.Axis {
  return {
    stroke: cssColour('--quiet'),
    font: AXIS_FONT,
    grid: { stroke: cssColour('--rule'), width: 0.5 },
    ticks: { show: false },
    space: 26,
  };
}

/** Half the width of a time label; one that would be cut off at the edge is better left out. */
const LABEL_HALF = 18;
const two = (value: number) => String(value).padStart(2, '0');
function timeLabels(u: uPlot, splits: number[]): string[] {
  return splits.map((second) => {
    if (u.valToPos(second, 'x') > u.over.clientWidth - LABEL_HALF) return '';
    const time = new Date(second * 1000);
    return time.getHours() + time.getMinutes() === 0
      ? time.toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })
      : `${two(time.getHours())}:${two(time.getMinutes())}`;
  });
}

function follow(u: uPlot): void {
  cursor.value = u.cursor.idx ?? undefined;
}

function choose(u: uPlot): void {
  const { left, width: chosen } = u.select;
  if (chosen > 8) show([u.posToVal(left, 'x'), u.posToVal(left + chosen, 'x')]);
  u.setSelect({ left: 0, top: 0, width: 0, height: 0 }, false);
}

function options(
  height: number,
  y: uPlot.Axis,
  series: uPlot.Series[],
  hooks: uPlot.Hooks.Arrays,
  showTime: boolean,
): uPlot.Options {
  return {
    width: width.value,
    height,
    legend: { show: false },
    padding: [6, isBeside.value ? BESIDE : 8, 0, 0],
    cursor: {
      sync: { key: `evidence-${props.name}` },
      drag: { x: true, y: false, setScale: false },
      y: false,
      points: { size: 6 },
    },
    scales: { x: { range: () => range.value } },
    axes: [
      {
        ...axis(),
        space: 60,
        values: showTime ? timeLabels : () => [],
        size: showTime ? 26 : 8,
        grid: { show: false },
      },
      { ...axis(), size: LEFT, ...y },
    ],
    series: [{}, ...series],
    hooks: { ...hooks, setCursor: [follow], setSelect: [choose] },
  };
}

function draw(): void {
  plots.forEach((plot) => plot.destroy());
  plots = [];
  const host = box.value;
  if (!host || width.value < 120) return;
  const ink = cssColour('--ink');
  const quiet = cssColour('--quiet');
  const { times, at20, gauge, temperature } = data.value;
  const decimals =
    preferences.value.pressureUnit === 'BAR' || preferences.value.pressureUnit === 'KGF_CM2' ? 1 : 0;
  const main = new uPlot(
    options(
      props.height,
      { values: (_, splits) => splits.map((value) => value.toFixed(decimals)) },
      [
        { stroke: ink, width: 1.8, points: { show: times.length < 60 } },
        { stroke: quiet, width: 0.8, dash: [2, 3], points: { show: false } },
      ],
      {
        drawClear: [
          (u) => drawBand(u, props.chart, units.toPressure, cssColour('--rule')),
          (u) => drawOutlook(u, props.chart, units.toPressure, { line: ink, range: cssColour('--rule') }),
        ],
        draw: [
          (u) => lines().forEach((line) => drawLine(u, 'y', line, FONT(), isBeside.value)),
          (u) => drawDoubtful(u, doubtful.value, ink, FONT()),
          (u) => drawEvents(u, ticks.value, quiet, FONT()),
        ],
      },
      false,
    ),
    [times, at20, gauge],
    host,
  );
  main.setScale('y', pressureRange());
  const heat = new uPlot(
    options(
      temperatureHeight.value,
      { values: (_, splits) => splits.map((value) => `${value.toFixed(0)}°`) },
      [{ stroke: ink, width: 1.4, points: { show: times.length < 60 } }],
      {
        draw: [
          (u) =>
            drawLine(
              u,
              'y',
              {
                value: units.toTemperature(props.limits.temperatureC),
                label: `hot ${units.temperatureNumber(props.limits.temperatureC)}`,
                colour: cssColour('--next'),
                isDashed: true,
              },
              FONT(),
              isBeside.value,
            ),
        ],
      },
      true,
    ),
    [times, temperature],
    host,
  );
  heat.setScale('y', temperatureRange());
  plots = [main, heat];
}

watch([width, data, preferences, range, ticks, () => props.height, () => props.limits], draw, {
  flush: 'post',
});
const observer = new MutationObserver(draw);
observer.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme'] });
useEventListener(window, 'resize', draw);
onBeforeUnmount(() => {
  observer.disconnect();
  plots.forEach((plot) => plot.destroy());
});

const shown = computed(() => {
  const index = cursor.value ?? data.value.times.length - 1;
  const second = data.value.times[index];
  const kpa20 = data.value.at20[index];
  if (second === undefined || kpa20 === null || kpa20 === undefined) return undefined;
  return props.chart.points.find((point) => new Date(point.at).getTime() / 1000 === second);
});

const readout = computed(() => {
  const point = shown.value;
  if (!point) return '';
  return `${clockAt(point.at)}: ${units.pressureWords(point.pressureAt20Kpa)} at ${units.reference.value}, ${units.pressureWords(point.pressureKpa)} on the gauge, ${units.temperatureWords(point.temperatureC)}`;
});

const doubtfulWords = computed(() => {
  const count = props.chart.doubtful.length;
  return count ? ` ${count} ${count === 1 ? 'reading is' : 'readings are'} doubtful and not judged.` : '';
});
const summary = computed(() => {
  const first = props.chart.points[0];
  const last = props.chart.points.at(-1);
  if (!first || !last) return `No readings of ${props.name} in this time.`;
  return (
    `Pressure of ${props.name} at ${units.reference.value}: from ${units.pressureWords(first.pressureAt20Kpa)} at ${clockAt(first.at)}` +
    ` to ${units.pressureWords(last.pressureAt20Kpa)} at ${clockAt(last.at)}; target ${units.pressureWords(props.limits.targetKpa)},` +
    ` second limit ${units.pressureWords(props.limits.lowCriticalKpa)}.${doubtfulWords.value} Left and right arrows read the values, plus and minus look closer and wider, 0 shows all.`
  );
});

useKeys('A chart that has the focus', [
  ['← →', 'read its values, one after the other'],
  ['+', 'closer'],
  ['−', 'wider'],
  ['0', 'all of it'],
]);

/** Looks closer or wider, and tells what is seen then. */
function look(how: (around?: number) => void): void {
  how(underCursor());
  const [from, to] = range.value.map((seconds) => clockAt(new Date(seconds * 1_000)));
  tell(`The chart shows ${from} to ${to}.`);
}

function zoomBy(event: KeyboardEvent): void {
  if (event.key === '+' || event.key === '=') look(closer);
  else if (event.key === '-') look(wider);
  else if (event.key === '0') look(all);
  else return;
  event.preventDefault();
}

function move(step: number): void {
  const [plot] = plots;
  const { times } = data.value;
  if (!plot || !times.length) return;
  const index = Math.max(0, Math.min(times.length - 1, (cursor.value ?? times.length - 1) + step));
  plot.setCursor({ left: plot.valToPos(times[index] ?? 0, 'x'), top: 10 });
  cursor.value = index;
}

const underCursor = () => (cursor.value === undefined ? undefined : data.value.times[cursor.value]);
</script>

<template>
  <div>
    <p class="mb-1 flex flex-wrap items-center gap-x-4 text-quiet">
      <span class="flex items-center gap-1.5"
        ><svg width="18" height="6" aria-hidden="true">
          <path d="M0 3h18" stroke="var(--ink)" stroke-width="2" /></svg
        >this wheel at {{ units.reference.value }}</span
      >
      <span class="flex items-center gap-1.5"
        ><svg width="18" height="6" aria-hidden="true">
          <path d="M0 3h18" stroke="var(--quiet)" stroke-dasharray="2 3" /></svg
        >its gauge</span
      >
      <span v-if="chart.siblings.length" class="flex items-center gap-1.5"
        ><svg width="18" height="10" aria-hidden="true">
          <rect width="18" height="10" fill="var(--rule)" /></svg
        >{{ chart.siblingWheels }} other wheels of the vehicle</span
      >
      <span v-if="chart.doubtful.length" class="flex items-center gap-1.5"
        ><svg width="10" height="10" aria-hidden="true">
          <circle cx="5" cy="5" r="4" fill="none" stroke="var(--ink)" stroke-width="1.5" /></svg
        >doubtful, not judged</span
      >
      <span v-if="chart.forecast" class="flex items-center gap-1.5"
        ><svg width="18" height="10" aria-hidden="true">
          <path d="M0 0L18 6V10Z" fill="var(--rule)" />
          <path d="M0 0L18 8" stroke="var(--ink)" stroke-width="1.5" stroke-dasharray="2 3" /></svg
        >if it goes on like this</span
      >
      <span class="ml-auto">{{ units.pressureSymbol.value }}, below {{ units.temperatureSymbol.value }}</span>
    </p>
    <p v-if="isGrowing" role="status" class="text-next">
      The demo’s past is still being put in place; earlier readings follow.
    </p>
    <div
      ref="box"
      role="img"
      tabindex="0"
      :aria-label="summary"
      :style="{ minHeight: `${height + temperatureHeight}px` }"
      @keydown.left.prevent="move(-5)"
      @keydown.right.prevent="move(5)"
      @keydown="zoomBy"
    ></div>
    <div class="mt-1 flex flex-wrap items-start justify-between gap-x-4 gap-y-1">
      <p class="figure min-h-5 text-quiet" aria-live="polite">{{ readout }}</p>
      <p class="flex gap-1 print:hidden">
        <button type="button" class="button" @click="look(closer)">Closer</button>
        <button type="button" class="button" :disabled="!isZoomed" @click="look(wider)">Wider</button>
        <button type="button" class="button" :disabled="!isZoomed" @click="look(all)">All</button>
      </p>
    </div>
    <details class="mt-1">
      <summary class="cursor-pointer text-quiet underline underline-offset-2">as a table</summary>
      <EvidenceTable :chart="chart" :range="range" />
    </details>
  </div>
</template>
