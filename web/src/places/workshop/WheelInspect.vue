<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { EntryData, JobWheel } from '@/api/jobs';
import { isStored } from './job';
import ChoiceRow from '@/shared/ChoiceRow.vue';
import ReasonForm from './ReasonForm.vue';
import { usePeople } from '@/api/people';

/** A wheel is looked at before anything is fitted. */
const props = defineProps<{ wheel: JobWheel }>();
const emit = defineEmits<{ inspected: [data: EntryData]; passed: [reason: string] }>();

const { nameOf } = usePeople();
const MM_PER_32ND = 25.4 / 32;
type Stem = NonNullable<EntryData['stem']>;
const STEMS: { value: Stem; words: string }[] = [
  { value: 'SOUND', words: 'sound' },
  { value: 'SCRATCHED', words: 'scratched' },
  { value: 'RUSTY', words: 'rusty' },
  { value: 'BENT', words: 'bent' },
];
const treads = ref('');
const unit = ref<'mm' | '1/32 in'>('mm');
const dateCode = ref('');
const stem = ref<Stem>('SOUND');
const isReachable = ref(true);
const isRetread = ref(false);
const damage = ref('');
const tyre = ref('');

/** Which wheel and which stored inspection the fields were filled with. */
let filled = '';
watch(
  () => {
    const stored = isStored(props.wheel.inspection) ? props.wheel.inspection?.by.number : undefined;
    return [props.wheel.position, stored] as const;
  },
  ([position, stored]) => {
    const now = `${position} ${stored ?? ''}`;
    // What was refused stays in the fields, to be put right there.
    if (filled.startsWith(`${position} `) && (stored === undefined || now === filled)) return;
    filled = now;
    const seen = props.wheel.inspection;
    unit.value = 'mm';
    treads.value = seen?.treadMm.map((mm) => String(Math.round(mm * 100) / 100)).join(' ') ?? '';
    dateCode.value = seen?.dateCode ?? '';
    stem.value = seen?.stem ?? 'SOUND';
    isReachable.value = seen?.isValveReachable ?? true;
    isRetread.value = seen?.isRetread ?? false;
    damage.value = seen?.damage ?? '';
    tyre.value = seen?.tyre ?? '';
  },
  { immediate: true },
);

const depths = computed(() =>
  treads.value
    .split(/[\s;/]+/)
    .filter(Boolean)
    .map((text) => Number(text.replace(',', '.'))),
);
const areDepths = computed(() => depths.value.length > 0 && depths.value.every((mm) => mm >= 0 && mm <= 100));

function say(): void {
  emit('inspected', {
    treadMm: depths.value.map((depth) => (unit.value === 'mm' ? depth : depth * MM_PER_32ND)),
    dateCode: dateCode.value.trim() || null,
    stem: stem.value,
    isValveReachable: isReachable.value,
    isRetread: isRetread.value,
    damage: damage.value.trim() || null,
    tyre: tyre.value.trim() || null,
  });
}
</script>

<template>
  <div class="grid gap-3">
    <form class="grid gap-3" @submit.prevent="say">
      <div class="grid grid-cols-[1fr_auto] items-end gap-2">
        <label
          >Tread at several points
          <input
            v-model="treads"
            class="field figure mt-0.5"
            inputmode="text"
            placeholder="8.5 8 8.2"
            autocomplete="off"
          />
        </label>
        <label
          ><span class="spoken">Unit</span>
          <select v-model="unit" class="field">
            <option>mm</option>
            <option>1/32 in</option>
          </select>
        </label>
      </div>
      <label
        >Date code, last four digits
        <input
          v-model="dateCode"
          class="field figure mt-0.5"
          inputmode="numeric"
          maxlength="4"
          placeholder="3423"
          autocomplete="off"
        />
      </label>
      <ChoiceRow v-model="stem" label="Valve stem" :choices="STEMS" />
      <label class="flex min-h-11 items-center gap-2"
        ><input v-model="isReachable" type="checkbox" /> the valve can be reached</label
      >
      <label class="flex min-h-11 items-center gap-2"
        ><input v-model="isRetread" type="checkbox" /> it is a retread</label
      >
      <label
        >Tyre, as on the sidewall
        <input v-model="tyre" class="field mt-0.5" maxlength="120" autocomplete="off"
      /></label>
      <label
        >Damage, if any <input v-model="damage" class="field mt-0.5" maxlength="1000" autocomplete="off"
      /></label>
      <button type="submit" class="button button-main min-h-13" :disabled="!areDepths">
        {{ wheel.inspection ? 'Enter it again' : 'Enter what I saw' }}
      </button>
    </form>
    <p v-if="wheel.inspection && !isStored(wheel.inspection)" role="status" class="text-quiet">
      Kept on this device. Whether it passes is said once it is stored.
    </p>
    <div v-else-if="wheel.inspection" role="status">
      <template v-if="wheel.inspection.failures.length">
        <p class="font-semibold" :class="wheel.inspection.passedAnyway ? '' : 'text-stop'">
          {{ wheel.inspection.passedAnyway ? 'Passed all the same' : 'Nothing is to be fitted here:' }}
        </p>
        <p v-for="failure in wheel.inspection.failures" :key="failure">{{ failure }}</p>
        <p v-if="wheel.inspection.passedAnyway" class="text-quiet">
          {{ nameOf(wheel.inspection.passedAnyway.by.who) }}: {{ wheel.inspection.passedAnyway.reason }}
        </p>
        <ReasonForm
          v-else
          class="mt-2"
          label="Pass it all the same, with a reason"
          action="Pass it"
          @say="emit('passed', $event)"
        />
      </template>
      <p v-else>
        It passes.
        <span v-if="typeof wheel.inspection.years === 'number'" class="text-quiet"
          >Made {{ wheel.inspection.years }} {{ wheel.inspection.years === 1 ? 'year' : 'years' }} ago.</span
        >
      </p>
      <p v-for="words in wheel.inspection.unlikeMate" :key="words" class="text-next">{{ words }}</p>
    </div>
  </div>
</template>
