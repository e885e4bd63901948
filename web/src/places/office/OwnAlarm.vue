<script setup lang="ts">
import { ref } from 'vue';
import { alarmNote, alarmSound, askForNotes, mayShowNotes, sound } from '@/shared/alarm';

/** Whether a new stop now calls on this device beyond the page. */
const said = ref('');

function setSound(isOn: boolean): void {
  alarmSound.value = isOn;
  // What is heard now will be heard then; browsers also want a press before they play anything.
  if (isOn) sound();
}

async function setNote(isOn: boolean): Promise<void> {
  alarmNote.value = isOn && (await askForNotes());
  said.value =
    isOn && !alarmNote.value
      ? 'The browser does not allow it. Allow notifications for this address in its settings, then try again.'
      : '';
}
</script>

<template>
  <section aria-labelledby="own-alarm">
    <h2 id="own-alarm" class="text-base">When something says Stop now</h2>
    <p class="text-quiet">On this device, while the product is open in any window.</p>
    <label class="mt-2 flex min-h-9 items-center gap-2">
      <input
        type="checkbox"
        class="size-4"
        :checked="alarmSound"
        @change="setSound(($event.target as HTMLInputElement).checked)"
      />
      Three short tones
    </label>
    <label class="flex min-h-9 items-center gap-2">
      <input
        type="checkbox"
        class="size-4"
        :checked="alarmNote && mayShowNotes()"
        @change="setNote(($event.target as HTMLInputElement).checked)"
      />
      A note of the browser, in front of other windows
    </label>
    <p role="status" class="text-next">{{ said }}</p>
  </section>
</template>
