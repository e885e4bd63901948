<script setup lang="ts">
import { computed, ref } from 'vue';
import type { RoundWheel } from '@/api/rounds';
import { useClock } from '@/shared/time';
import { useUnits } from '@/shared/units';
import { usualReasons } from './doing';

/** One wheel of a round: what it shows, what it should, what to do. */
const props = defineProps<{ wheel: RoundWheel; vehicle: string; isOpen: boolean; isWaiting?: boolean }>();
const emit = defineEmits<{ set: []; give: [reason: string] }>();

const units = useUnits();
const { age, at } = useClock();
const isReasoning = ref(false);
const reason = ref('');
const stays = computed(() => (props.wheel.action === 'DO_NOT_INFLATE' ? 'It is dealt with' : 'It stays so'));
/** What was recorded of setting it, with the hand gauge's figures. */
const setWords = computed(() => {
  const { set } = props.wheel;
  if (!set) return '';
  const from = typeof set.beforeKpa === 'number' ? ` from ${units.pressureWords(set.beforeKpa)}` : '';
  const to = typeof set.afterKpa === 'number' ? ` to ${units.pressureWords(set.afterKpa)}` : '';
  const isSilentSince = !props.wheel.at || props.wheel.at < set.at;
  return `Set${from}${to}, ${at(new Date(set.at))}${isSilentSince ? '; its sensor has not spoken since' : ''}`;
});
const mayInflate = computed(() => props.wheel.action && props.wheel.action !== 'DO_NOT_INFLATE');

function give(text: string): void {
  emit('give', text);
  isReasoning.value = false;
  reason.value = '';
}
</script>

<template>
  <li class="grid gap-x-4 gap-y-1 border-b border-rule py-2 sm:grid-cols-[3.5rem_15rem_1fr]">
    <span class="figure text-base font-medium" :aria-label="wheel.words">{{ wheel.position }}</span>
    <span class="text-quiet">
      <template v-if="typeof wheel.gaugeKpa === 'number'">
        <span class="figure text-ink">{{ units.pressureWords(wheel.gaugeKpa) }}</span>
        <template v-if="typeof wheel.temperatureC === 'number'">
          at <span class="figure">{{ units.temperatureWords(wheel.temperatureC) }}</span></template
        >
        <br />should show
        <span class="figure">{{ units.pressureWords(wheel.targetNowKpa ?? wheel.targetKpa) }}</span>
      </template>
      <template v-else>
        cold target <span class="figure">{{ units.pressureWords(wheel.targetKpa) }}</span>
      </template>
      <template v-if="wheel.at && isOpen">, heard {{ age(wheel.at) }} ago</template>
    </span>
    <div class="min-w-0">
      <p
        :class="{
          'font-semibold text-stop': wheel.action === 'DO_NOT_INFLATE' && !wheel.isSettled,
          'font-semibold': !wheel.isSettled && wheel.action !== 'DO_NOT_INFLATE',
          'text-quiet': wheel.isSettled,
        }"
      >
        {{ wheel.toDo }}
      </p>
      <div role="status">
        <p v-if="setWords">{{ setWords }}.</p>
        <p v-if="wheel.reason">{{ wheel.reason }}, {{ wheel.reasonBy }}.</p>
        <p v-if="isWaiting" class="text-quiet">Kept on this device until it is stored.</p>
      </div>
      <div v-if="isOpen" class="mt-1 flex flex-wrap gap-2 print:hidden">
        <button
          v-if="mayInflate"
          type="button"
          class="button min-h-11"
          :aria-label="`I set it: ${wheel.words} of ${vehicle}`"
          @click="emit('set')"
        >
          I set it
        </button>
        <button
          v-if="!wheel.isSettled"
          type="button"
          class="button min-h-11"
          :aria-expanded="isReasoning"
          :aria-label="`${stays}: ${wheel.words} of ${vehicle}`"
          @click="isReasoning = !isReasoning"
        >
          {{ stays }}
        </button>
      </div>
      <form v-if="isReasoning" class="mt-2 grid gap-2" @submit.prevent="give(reason)">
        <div class="flex flex-wrap gap-2">
          <button
            v-for="one in usualReasons(wheel)"
            :key="one"
            type="button"
            class="button min-h-11"
            @click="give(one)"
          >
            {{ one }}
          </button>
        </div>
        <label
          >Reason, in other words
          <input v-model="reason" class="field mt-0.5 min-h-11" maxlength="500" required autocomplete="off" />
        </label>
        <div><button type="submit" class="button min-h-11">Keep this reason</button></div>
      </form>
    </div>
  </li>
</template>
