<script setup lang="ts">
import { watchDebounced } from '@vueuse/core';
import { computed, ref, useTemplateRef, watch } from 'vue';
import { RouterLink } from 'vue-router';
import {
  lookAtCode,
  useHeard,
  type CodeDoubt,
  type HeardSensor,
  type JobItem,
  type JobWheel,
} from '@/api/jobs';
import { onPageKeys } from '@/shared/keys';
import { plainCode } from '@/shared/sensorCode';
import { useUnits } from '@/shared/units';
import ReasonForm from './ReasonForm.vue';
import { usePeople } from '@/api/people';

/** Takes a sensor's code for a wheel: scanned, typed, or the strongest newcomer. */
const props = defineProps<{ job: JobItem; wheel: JobWheel; isOnline: boolean }>();
const emit = defineEmits<{ take: [code: string, isMeant: boolean]; leaveOut: [reason: string] }>();

const { nameOf } = usePeople();
const units = useUnits();
const { data: heard } = useHeard(
  () => props.job.id,
  () => props.isOnline,
);
const code = ref('');
const doubts = ref<CodeDoubt[]>([]);
const lookedAt = ref('');
const field = useTemplateRef('field');

const plain = computed(() => plainCode(code.value));
const isToConfirm = computed(() => doubts.value.some((doubt) => doubt.weight === 'TO_CONFIRM'));
const isRefused = computed(() => doubts.value.some((doubt) => doubt.weight === 'REFUSED'));
const isLooked = computed(() => lookedAt.value === plain.value);
const taken = computed(() => new Set(props.job.wheels.map((wheel) => wheel.code).filter(Boolean)));
const isFailed = computed(
  () => props.wheel.inspection?.failures.length && !props.wheel.inspection.passedAnyway,
);
const newcomers = computed(() => heard.value?.filter((one) => !taken.value.has(one.code)).slice(0, 6) ?? []);

watch(
  () => props.wheel.position,
  () => {
    code.value = '';
    doubts.value = [];
    field.value?.focus();
  },
);

async function look(): Promise<void> {
  const wanted = plain.value;
  if (!wanted) {
    doubts.value = [];
    return;
  }
  try {
    const found = await lookAtCode(props.job.id, props.wheel.position, wanted);
    if (wanted === plain.value) {
      doubts.value = found;
      lookedAt.value = wanted;
    }
  } catch {
    // Without a signal nobody can look; the server does so when the entry is sent.
    doubts.value = [];
  }
}
watchDebounced(plain, look, { debounce: 250 });

async function take(isMeant = false): Promise<void> {
  const wanted = plain.value;
  if (!wanted) return;
  if (!isLooked.value && props.isOnline) await look();
  if (isRefused.value || (isToConfirm.value && !isMeant) || wanted !== plain.value) return;
  emit('take', wanted, isMeant);
  code.value = '';
}

function choose(one: string): void {
  code.value = one;
  field.value?.focus();
}

/** A scanner types like a keyboard, wherever the focus is. */
onPageKeys((event) => {
  const target = event.target as HTMLElement;
  if (event.ctrlKey || event.metaKey || event.altKey) return;
  if (event.key.length === 1 && /[0-9a-z]/i.test(event.key)) {
    code.value += event.key;
    field.value?.focus();
    event.preventDefault();
  } else if (event.key === 'Enter' && plain.value && !target.matches('button,a,[role=button]')) {
    void take();
  }
});

/** Bars for −100 dBm and weaker up to −55 and stronger. */
const bars = (one: HeardSensor) =>
  typeof one.rssiDbm === 'number' ? Math.max(1, Math.min(4, Math.round((one.rssiDbm + 105) / 12))) : 0;
</script>

<template>
  <div class="grid gap-3">
    <p v-if="wheel.code" class="border-l-2 border-action pl-3">
      This wheel has <span class="figure font-semibold">{{ wheel.code }}</span>{{
        wheel.paired ? `, taken by ${nameOf(wheel.paired.who)}` : ''
      }}.
    </p>
    <p v-if="!wheel.inspection" class="border-l-2 border-next pl-3">
      This tyre was not inspected. It comes into service only once it was, or once somebody answers for it.
    </p>
    <p v-if="isFailed" role="alert" class="border-l-2 border-stop pl-3 font-medium text-stop">
      This wheel did not pass its inspection. Put it right, or pass it under Inspect, with a reason.
    </p>
    <form class="grid gap-2" @submit.prevent="take()">
      <label
        >Scan the label, type the code, or take it from those heard
        <input
          ref="field"
          v-model="code"
          class="field figure mt-1 min-h-13 text-xl uppercase"
          autocomplete="off"
          autocapitalize="characters"
          spellcheck="false"
          autofocus
          aria-describedby="doubts"
        />
      </label>
      <div id="doubts" role="status" class="grid gap-2">
        <div
          v-for="doubt in doubts"
          :key="doubt.kind"
          class="border-l-2 pl-3"
          :class="doubt.weight === 'WORTH_KNOWING' ? 'border-rule' : 'border-next'"
        >
          <p :class="{ 'font-semibold': doubt.weight !== 'WORTH_KNOWING' }">{{ doubt.words }}</p>
          <p class="text-quiet">{{ doubt.wayOut }}</p>
          <button
            v-for="one in doubt.codes"
            :key="one"
            type="button"
            class="button figure mt-1 mr-2"
            @click="choose(one)"
          >
            {{ one }}
          </button>
        </div>
      </div>
      <button
        v-if="!isToConfirm"
        type="submit"
        class="button button-main min-h-13"
        :disabled="!plain || isRefused"
      >
        Take {{ plain || 'it' }} for this wheel
      </button>
      <button
        v-else
        type="button"
        class="button button-main min-h-13"
        :disabled="isRefused"
        @click="take(true)"
      >
        It is meant: take {{ plain }} for this wheel
      </button>
    </form>
    <section v-if="newcomers.length">
      <h3 class="text-base font-normal text-quiet">Heard just now, strongest first</h3>
      <ul class="border-t border-rule">
        <li v-for="one in newcomers" :key="one.code" class="border-b border-rule">
          <button
            type="button"
            class="flex min-h-11 w-full cursor-pointer items-center gap-3 py-1.5 text-left"
            @click="choose(one.code)"
          >
            <span class="figure text-lg">{{ one.code }}</span>
            <span class="grow text-quiet">
              {{ one.isNew ? 'new' : 'heard before'
              }}<template v-if="typeof one.pressureKpa === 'number'"
                >, <span class="figure">{{ units.pressureWords(one.pressureKpa) }}</span></template
              >
            </span>
            <svg width="26" height="20" role="img" :aria-label="`signal ${bars(one)} of 4`">
              <rect
                v-for="bar in 4"
                :key="bar"
                :x="(bar - 1) * 7"
                :y="20 - bar * 5"
                width="5"
                :height="bar * 5"
                :fill="bar <= bars(one) ? 'var(--ink)' : 'var(--rule)'"
              />
            </svg>
          </button>
        </li>
      </ul>
    </section>
    <p v-else-if="isOnline" class="text-quiet">
      No newcomer is heard. Sensors sleep: turn the wheel, or let a little air in or out.
    </p>
    <p v-if="wheel.leftOut">Left out: {{ wheel.leftOut.reason }}</p>
    <p>
      <RouterLink class="way" :to="{ name: 'bench', params: { id: job.id } }"
        >Give sensors to wheels at the bench</RouterLink
      >
    </p>
    <ReasonForm label="No sensor here, with a reason" action="Leave it out" @say="emit('leaveOut', $event)" />
  </div>
</template>
