<script setup lang="ts">
import { ref } from 'vue';
import { statedFigure, type LimitPolicy } from '@/api/limits';
import { useSession } from '@/api/session';
import { parsePercent, parsePressure } from '@/shared/quantity';
import { useUnread } from '@/shared/unread';
import { useUnits } from '@/shared/units';
import { kpaOf, pctOf, type LimitName } from './ruler';

/** The same limits typed: as a percentage, or as a pressure in any unit. */
const props = defineProps<{ target: number }>();
const policy = defineModel<LimitPolicy>({ required: true });

const units = useUnits();
const { preferences } = useSession();
const ROWS: { name: LimitName; words: string; side: string; sign: 1 | -1 }[] = [
  { name: 'lowCriticalPct', words: 'Second low', side: 'below', sign: -1 },
  { name: 'lowPct', words: 'First low', side: 'below', sign: -1 },
  { name: 'highPct', words: 'Over', side: 'over', sign: 1 },
];
/** A typed figure that is not the percentage beside it. */
const doubt = ref<{ name: LimitName; typed: number; right: number }>();
const unread = ref<{ name: LimitName; isShare: boolean }>();
useUnread(() => {
  const row = ROWS.find((one) => one.name === unread.value?.name);
  return row && `${row.words}, ${unread.value?.isShare ? 'per cent' : 'as a pressure'}`;
});
const rounded = (value: number) => Math.round(value * 10) / 10;

function typePct(name: LimitName, text: string): void {
  const pct = parsePercent(text);
  unread.value = pct === undefined || pct <= 0 ? { name, isShare: true } : undefined;
  if (pct !== undefined && pct > 0) policy.value = { ...policy.value, [name]: pct };
  doubt.value = undefined;
}

async function typeFigure({ name, sign }: (typeof ROWS)[number], text: string): Promise<void> {
  const typed = parsePressure(text, preferences.value.pressureUnit);
  unread.value = typed === undefined ? { name, isShare: false } : undefined;
  if (typed === undefined) return;
  const right = await statedFigure(
    props.target,
    sign * policy.value[name],
    typed,
    preferences.value.pressureUnit,
  );
  doubt.value = right === undefined ? undefined : { name, typed, right };
}

function keep(): void {
  if (!doubt.value) return;
  const { name, typed } = doubt.value;
  policy.value = { ...policy.value, [name]: rounded(pctOf(name, typed, props.target)) };
  doubt.value = undefined;
}
</script>

<template>
  <div class="grid max-w-xl gap-2">
    <div v-for="row in ROWS" :key="row.name" class="grid grid-cols-[6rem_7rem_1fr] items-center gap-3">
      <span>{{ row.words }}</span>
      <label class="flex items-center gap-1">
        <input
          class="field figure"
          inputmode="decimal"
          :value="rounded(policy[row.name])"
          :aria-label="`${row.words}, per cent ${row.side} target`"
          @change="typePct(row.name, ($event.target as HTMLInputElement).value)"
        />
        %
        <span v-if="unread?.name === row.name && unread.isShare" class="text-stop"
          >A share, such as 11 %.</span
        >
      </label>
      <label class="flex items-center gap-1">
        <input
          class="field figure w-32"
          :value="units.pressureNumber(kpaOf(row.name, policy, target))"
          :aria-label="`${row.words}, as a pressure`"
          @change="typeFigure(row, ($event.target as HTMLInputElement).value)"
        />
        {{ units.pressureSymbol.value }}
        <span v-if="unread?.name === row.name && !unread.isShare" class="text-stop"
          >Write a pressure, such as 7.8 bar.</span
        >
      </label>
    </div>
    <div v-if="doubt" role="alert" class="border-l-2 border-next bg-raised p-3">
      You typed {{ units.pressureWords(doubt.typed) }} for {{ rounded(policy[doubt.name]) }}&nbsp;%
      {{ doubt.name === 'highPct' ? 'over' : 'below' }}. {{ rounded(policy[doubt.name]) }}&nbsp;% of
      {{ units.pressureWords(target) }} {{ doubt.name === 'highPct' ? 'over' : 'below' }} is
      {{ units.pressureWords(doubt.right) }}.
      <button type="button" class="link" @click="keep">
        Keep {{ units.pressureWords(doubt.typed) }},
        {{ rounded(pctOf(doubt.name, doubt.typed, target)) }}&nbsp;%
      </button>
      ·
      <button type="button" class="link" @click="doubt = undefined">
        use {{ units.pressureWords(doubt.right) }}
      </button>
    </div>
  </div>
</template>
