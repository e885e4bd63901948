<script setup lang="ts">
import { ref } from 'vue';
import { usePeople } from '@/api/people';
import { useMoves, useTyreActions } from '@/api/tyres';
import { dated } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';
import { wordsOf } from '@/shared/vocabulary';

/** Moves that were made with wheels of a vehicle; a wrong one can be undone or dated right. */
const props = defineProps<{ vehicle: string; mayUndo: boolean }>();
const { data: moves, error } = useMoves(() => props.vehicle);
const { undo, correct } = useTyreActions();
const { nameOf } = usePeople();
const { trouble, faults, isBusy, attempt } = useAttempt();
const dating = ref('');
const time = ref('');

const date = (id: string) =>
  attempt(
    async () => {
      await correct(id, new Date(time.value).toISOString());
      dating.value = '';
    },
    'Dating the move',
    { done: 'The move is dated so.' },
  );
</script>

<template>
  <section aria-labelledby="moves-made">
    <h2 id="moves-made" class="text-base">Moved before: {{ vehicle }}</h2>
    <p v-if="error && !moves" role="alert" class="text-next">{{ error.message }}</p>
    <p v-else-if="moves && !moves.length" class="text-quiet">No move of its wheels is written down.</p>
    <div v-if="trouble" role="alert" class="text-stop">
      <p>{{ trouble }}</p>
      <p v-for="fault in faults" :key="fault.field + fault.message">{{ fault.message }}</p>
    </div>
    <ul v-if="moves?.length" class="mt-1 border-t border-rule">
      <li v-for="move in moves" :key="move.id" class="border-b border-rule py-2">
        <div class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
          <span class="font-medium">{{ dated(move.at) }}</span>
          <span class="text-quiet"
            >by {{ nameOf(move.by) }}<template v-if="move.note">: {{ move.note }}</template
            ><template v-for="one in move.distances" :key="one.vehicle ?? ''"
              >; {{ one.vehicle }} had run {{ one.km?.toLocaleString('en-GB') }} km</template
            ></span
          >
          <span v-if="move.undone" class="text-quiet"
            >undone {{ dated(move.undone) }}, {{ nameOf(move.undoneBy) }}</span
          >
          <span v-else-if="mayUndo" class="ml-auto flex gap-3">
            <button type="button" class="link min-h-11" @click="dating = dating === move.id ? '' : move.id">
              Another time<span class="spoken">: {{ dated(move.at) }}</span>
            </button>
            <button
              type="button"
              class="link min-h-11"
              :disabled="isBusy"
              @click="attempt(() => undo(move.id), 'Undoing the move', { done: 'The move is undone.' })"
            >
              Undo<span class="spoken">: {{ dated(move.at) }}</span>
            </button>
          </span>
        </div>
        <form
          v-if="dating === move.id"
          class="mt-1 flex flex-wrap items-end gap-2"
          @submit.prevent="date(move.id)"
        >
          <label class="block"
            >When it was done
            <input v-model="time" type="datetime-local" class="field mt-0.5 block" required />
          </label>
          <button type="submit" class="button button-main" :disabled="isBusy || !time">
            It was done then
          </button>
        </form>
        <ul class="mt-0.5" :class="{ 'line-through': move.undone }">
          <li v-for="step in move.steps" :key="step.tyre">
            <span v-if="step.from === step.to"
              ><span class="figure">{{ step.from }}</span> {{ $t('workshop.offAndOnDone') }}</span
            >
            <span v-else class="figure">{{ step.from }} → {{ step.to }}</span>
            <span v-if="step.sensor" class="text-quiet">
              &ensp;sensor {{ step.sensor }} {{ wordsOf('sensorFates', step.fate) }}</span
            >
          </li>
        </ul>
      </li>
    </ul>
  </section>
</template>
