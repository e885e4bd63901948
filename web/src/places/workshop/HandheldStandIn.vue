<script setup lang="ts">
import { ref } from 'vue';
import { useJobActions } from '@/api/jobs';
import { placeWords } from '@/shared/position';
import { useAttempt } from '@/shared/useAttempt';

/** In the demo: what a technician would do with a handheld reader and an air line. */
const props = defineProps<{ vehicle: string; positions: string[]; chosen: string }>();

const { useHandheld: handheld } = useJobActions();
const said = ref('');
const { trouble, attempt } = useAttempt();
/** The wheel that is really touched; another one than is asked for makes a wrong pairing. */
const other = ref('');

async function act(action: 'TOUCH' | 'LET_IN' | 'LET_OUT'): Promise<void> {
  const position = other.value || props.chosen;
  await attempt(async () => {
    const { code } = await handheld(action, props.vehicle, position);
    said.value =
      action === 'TOUCH'
        ? `The reader shows ${code}.`
        : `25 kPa ${action === 'LET_IN' ? 'let in' : 'let out'} at ${placeWords(position)}; its sensor says so within seconds.`;
  });
  if (trouble.value) said.value = trouble.value;
}
</script>

<template>
  <details class="border-t border-rule pt-2">
    <summary class="cursor-pointer text-quiet">No truck at hand: simulated reader and air line</summary>
    <div class="mt-2 grid gap-2">
      <label
        >At
        <select v-model="other" class="field mt-0.5">
          <option value="">the wheel shown</option>
          <option v-for="one in positions" :key="one" :value="one">{{ placeWords(one) }}, on purpose</option>
        </select>
      </label>
      <div class="flex flex-wrap gap-2">
        <button type="button" class="button" @click="act('TOUCH')">Touch the sensor</button>
        <button type="button" class="button" @click="act('LET_IN')">Let 25 kPa in</button>
        <button type="button" class="button" @click="act('LET_OUT')">Let 25 kPa out</button>
      </div>
      <p role="status" class="figure">{{ said }}</p>
    </div>
  </details>
</template>
