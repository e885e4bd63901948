<script setup lang="ts">
import { computed, ref } from 'vue';
import { RouterLink, type RouteLocationRaw } from 'vue-router';
import type { LogbookItem } from '@/api/logbook';
import { dated, useClock } from './time';
import { useUnits } from './units';

/** One entry of the logbook: who did what, before and after, why. */
const props = defineProps<{ entry: LogbookItem; isShort?: boolean }>();

const { at } = useClock();
const { pressureWords, temperatureWords } = useUnits();

/** A change of many axles has many lines. */
const FEW = 6;
const isWhole = ref(false);
const shown = computed(() => {
  const all = props.entry.differences;
  return isWhole.value || all.length <= FEW + 1 ? all : all.slice(0, FEW);
});

type Difference = LogbookItem['differences'][number];

/** A figure as the reader reads figures; a dash where there is nothing. */
function value(difference: Difference, text: string | null | undefined): string {
  if (text === null || text === undefined) return 'nothing';
  const figure = Number(text);
  if (difference.unit === 'time') return at(text);
  if (difference.unit === 'kPa' && !Number.isNaN(figure)) return pressureWords(figure);
  if (difference.unit === '°C' && !Number.isNaN(figure)) return temperatureWords(figure);
  return difference.unit && /\d/.test(text) ? `${text}\u00a0${difference.unit}` : text;
}

/** With its day: a book is read later. */
const moment = computed(() => dated(props.entry.at));

const link = computed<RouteLocationRaw | undefined>(() => {
  const { thingKind, thing, vehicle, position } = props.entry;
  switch (thingKind) {
    case 'ALERT':
      return { name: 'desk', params: { id: thing } };
    case 'JOB':
      return { name: 'job', params: { id: thing } };
    case 'ROUND':
      return { name: 'round', params: { id: thing } };
    case 'PLAN':
      return { name: 'kit-plan', params: { id: thing } };
    case 'LIMIT':
      return { name: 'limits' };
    case 'LOAD_TABLE':
      return { name: 'targets' };
    case 'TEXT':
      return { name: 'texts' };
    case 'MAIL':
      return { name: 'mail' };
    case 'GAUGE':
      return { name: 'hand-gauges' };
    case 'STOCK':
      return { name: 'stores' };
    case 'ACCOUNT':
    case 'INVITATION':
      return { name: 'team' };
    case 'DEPOT':
      return { name: 'depots' };
    case 'RECEIVER':
      return { name: 'receivers-heard' };
    case 'TOKEN':
      return { name: 'receivers' };
    case 'BACKUP':
      return { name: 'backups' };
    default:
      return vehicle
        ? { name: 'vehicle', params: { vehicleRef: vehicle }, query: position ? { wheel: position } : {} }
        : undefined;
  }
});
</script>

<template>
  <article class="grid gap-x-4 border-b border-rule py-2 @lg:grid-cols-[9rem_1fr]">
    <p class="figure text-quiet">
      <time :datetime="entry.at">{{ moment }}</time>
      <span v-if="!isShort" class="block text-sm" :title="entry.hash">no. {{ entry.number }}</span>
    </p>
    <div class="min-w-0">
      <p class="break-words">
        <strong class="font-semibold">{{ entry.authorName }}</strong> {{ entry.words
        }}<RouterLink
          v-if="link && !isShort"
          :to="link"
          class="ml-2 whitespace-nowrap"
          :aria-label="`Open ${entry.thingName}`"
          >open</RouterLink
        >
      </p>
      <p v-if="entry.why" class="break-words whitespace-pre-line text-quiet">“{{ entry.why }}”</p>
      <dl v-if="entry.differences.length" class="mt-0.5">
        <div v-for="difference in shown" :key="difference.what" class="flex flex-wrap gap-x-3 text-quiet">
          <dt>{{ difference.what }}</dt>
          <dd class="break-words text-ink">
            <template v-if="difference.before !== null && difference.before !== undefined"
              ><span class="sr-only">before </span
              ><span :class="{ figure: difference.unit }">{{ value(difference, difference.before) }}</span
              ><span class="sr-only">, after </span
              ><span aria-hidden="true" class="px-2 text-quiet">→</span></template
            ><span :class="{ figure: difference.unit }">{{ value(difference, difference.after) }}</span>
          </dd>
        </div>
      </dl>
      <button
        v-if="shown.length < entry.differences.length"
        type="button"
        class="link"
        @click="isWhole = true"
      >
        {{ entry.differences.length - shown.length }} more
      </button>
    </div>
  </article>
</template>
