<script setup lang="ts">
import { watchDebounced } from '@vueuse/core';
import { computed, onBeforeUnmount, ref, watch } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { lookAtCode, useJob, type CodeDoubt } from '@/api/jobs';
import { plainCode } from '@/shared/sensorCode';
import { bareLines, fillFrom, twice, type BenchLine } from './bench';
import UnsettledEntries from './UnsettledEntries.vue';
import { useEntering } from './useEntering';

/** Sensors given to wheels at the bench: stickers are printed, and what was mixed up is found when the wheels are proved. */
const props = defineProps<{ id: string }>();
const router = useRouter();
const { data: job, error } = useJob(() => props.id);
const { enter, trouble, isOnline, unsent, unsettled, insist, drop, stop } = useEntering(job);
onBeforeUnmount(stop);

const lines = ref<BenchLine[]>([]);
const doubts = ref<Record<string, CodeDoubt[]>>({});
const pasted = ref('');
const strange = ref<string[]>([]);
const isTaken = ref(false);

watch(
  () => job.value?.id,
  () => {
    if (job.value && !lines.value.length) lines.value = bareLines(job.value);
  },
  { immediate: true },
);

const doubled = computed(() => twice(lines.value));
const given = computed(() => lines.value.filter((line) => plainCode(line.code)));
const isDoubtful = computed(
  () =>
    doubled.value.size > 0 ||
    given.value.some((line) =>
      doubts.value[line.position]?.some((doubt) => doubt.weight !== 'WORTH_KNOWING'),
    ),
);

const lookedAs = new Map<string, string>();
async function look(line: BenchLine): Promise<void> {
  const code = plainCode(line.code);
  if (lookedAs.get(line.position) === code) return;
  lookedAs.set(line.position, code);
  if (!code || !isOnline.value) {
    lookedAs.delete(line.position);
    doubts.value[line.position] = [];
    return;
  }
  try {
    const found = await lookAtCode(props.id, line.position, code);
    // That wheels are given out of order is no mistake at a bench.
    if (code === plainCode(line.code))
      doubts.value[line.position] = found.filter((one) => one.kind !== 'WHEEL_SKIPPED');
  } catch {
    lookedAs.delete(line.position);
    doubts.value[line.position] = [];
  }
}
watchDebounced(lines, () => Promise.all(lines.value.map(look)), { debounce: 250, deep: true });

function fill(): void {
  const filled = fillFrom(pasted.value, lines.value);
  lines.value = filled.lines;
  strange.value = filled.strange;
  pasted.value = filled.strange.join('\n');
}

/** A scanner ends each code with Enter: on to the next wheel. */
function next(event: KeyboardEvent): void {
  const fields = [...document.querySelectorAll<HTMLInputElement>('[data-code]')];
  fields[fields.indexOf(event.target as HTMLInputElement) + 1]?.focus();
}

async function take(): Promise<void> {
  isTaken.value = true;
  for (const line of given.value) {
    await enter('PAIRED', line.position, { code: plainCode(line.code) });
  }
  if (!unsettled.value.length) await router.push({ name: 'job', params: { id: props.id } });
}
const print = () => window.print();
</script>

<template>
  <p v-if="error && !job" role="alert" class="p-6 text-next">{{ error.message }}</p>
  <p v-else-if="!job" class="p-6 text-quiet">Fetching the job …</p>
  <div v-else class="w-full max-w-3xl px-5 py-4">
    <p class="print:hidden">
      <RouterLink class="way" :to="{ name: 'job', params: { id } }">‹ Fit-out {{ job.vehicle }}</RouterLink>
    </p>
    <h1 class="mt-1 text-xl">
      Bench list <span class="figure">{{ job.vehicle }}</span>
    </h1>
    <p class="mt-1 print:hidden">
      Give each sensor its wheel here, print the stickers, and put each on its sensor. Stickers get mixed up:
      every wheel is proved with air afterwards all the same.
    </p>
    <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
    <p v-if="unsent.length" role="status">{{ unsent.length }} waiting for signal, kept on this device</p>
    <UnsettledEntries :entries="unsettled" @insist="insist" @drop="drop" />
    <p v-if="!lines.length" class="mt-3">
      Every wheel has a sensor or was left out.
      <RouterLink :to="{ name: 'job', params: { id } }">Back to the job</RouterLink>
    </p>
    <form v-else class="mt-3 print:hidden" @submit.prevent="take">
      <ul class="border-t border-rule">
        <li
          v-for="line in lines"
          :key="line.position"
          class="grid gap-x-4 border-b border-rule py-1.5 sm:grid-cols-[3rem_11rem_11rem_1fr] sm:items-center"
        >
          <span class="figure font-medium">{{ line.position }}</span>
          <span class="text-quiet">{{ line.words }}</span>
          <input
            v-model="line.code"
            data-code
            class="field figure min-h-11 uppercase"
            :aria-label="`Code for ${line.words}`"
            autocomplete="off"
            autocapitalize="characters"
            spellcheck="false"
            @keydown.enter.prevent="next"
          />
          <span role="status">
            <span v-if="doubled.has(plainCode(line.code))" class="block font-semibold">
              This code stands at two wheels of the list.
            </span>
            <template v-for="doubt in doubts[line.position]" :key="doubt.kind">
              <span class="block" :class="{ 'font-semibold': doubt.weight !== 'WORTH_KNOWING' }">{{
                doubt.words
              }}</span>
              <span class="block text-quiet">{{ doubt.wayOut }}</span>
            </template>
          </span>
        </li>
      </ul>
      <div class="mt-3 flex flex-wrap gap-2">
        <button
          type="submit"
          class="button button-main min-h-11"
          :disabled="!given.length || isDoubtful || isTaken"
        >
          Take {{ given.length }} {{ given.length === 1 ? 'sensor' : 'sensors' }}
        </button>
        <button type="button" class="button min-h-11" :disabled="!given.length" @click="print">
          Print the stickers
        </button>
      </div>
      <details class="mt-4">
        <summary class="cursor-pointer">Paste a list</summary>
        <label class="mt-1 block"
          >Position and code, a row each; or codes alone, {{ job.walkWords }}
          <textarea v-model="pasted" class="field figure mt-0.5 h-28"></textarea>
        </label>
        <button type="button" class="button mt-1" :disabled="!pasted.trim()" @click="fill">
          Fill the list
        </button>
        <p v-if="strange.length" role="alert" class="mt-1 text-next">
          {{ strange.length }} {{ strange.length === 1 ? 'row fits' : 'rows fit' }} no wheel that waits for a
          sensor. They stay above; mend them and fill again.
        </p>
      </details>
    </form>
    <ul class="hidden grid-cols-3 gap-2 print:grid" aria-label="Stickers">
      <li v-for="line in given" :key="line.position" class="border border-ink p-3">
        <span class="figure block text-2xl font-semibold">{{ line.position }}</span>
        <span class="block">{{ job.vehicle }}, {{ line.words }}</span>
        <span class="figure block text-lg">{{ plainCode(line.code) }}</span>
      </li>
    </ul>
  </div>
</template>
