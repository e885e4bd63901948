<script setup lang="ts">
import { ref } from 'vue';
import { statedFigure, type LimitPolicy } from '@/api/limits';
import { useSession } from '@/api/session';
import { isPressure, parsePercent, parsePressure, unitMeant } from '@/shared/quantity';
import TypedField from '@/shared/TypedField.vue';
import { PRESSURE_UNITS, useUnits } from '@/shared/units';
import { kpaOf, pctOf, SHARES, sideOf, type LimitName } from '@/shared/limits';

/** The same limits typed: as a percentage, or as a pressure in any unit. */
const props = defineProps<{ target: number }>();
const policy = defineModel<LimitPolicy>({ required: true });

const units = useUnits();
const { preferences } = useSession();
const ROWS = SHARES.map(({ name, words, sign }) => ({
  name,
  words: words[0]?.toUpperCase() + words.slice(1),
  side: sign < 0 ? 'below' : 'over',
  sign,
}));
/** A typed figure that is not the percentage beside it. */
const doubt = ref<{ name: LimitName; typed: number; right: number }>();
const rounded = (value: number) => Math.round(value * 10) / 10;

function readPct(text: string, sign: number): number | string {
  const pct = parsePercent(text);
  if (pct === undefined) return 'A share, such as 11 %.';
  return pct > 0 && pct < 100
    ? pct
    : `More than 0 and less than 100 % ${sign < 0 ? 'below' : 'over'} target.`;
}

function readFigure(text: string): number | string {
  const own = preferences.value.pressureUnit;
  const meant = unitMeant(text, own);
  if (meant) return `If you mean ${PRESSURE_UNITS[meant].symbol}, write the unit along.`;
  const kpa = parsePressure(text, own);
  return kpa !== undefined && isPressure(kpa) ? kpa : 'Write a pressure of a tyre, such as 7.8 bar.';
}

function typePct(name: LimitName, pct: number): void {
  policy.value = { ...policy.value, [name]: pct };
  doubt.value = undefined;
}

async function typeFigure({ name, sign }: (typeof ROWS)[number], typed: number): Promise<void> {
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
    <div
      v-for="row in ROWS"
      :key="row.name"
      class="grid grid-cols-2 items-baseline gap-x-3 gap-y-1 sm:grid-cols-[6rem_8rem_1fr] sm:gap-3"
    >
      <span class="max-sm:col-span-2">{{ row.words }}</span>
      <span class="flex items-baseline gap-1">
        <TypedField
          :label="`${row.words}, per cent ${row.side} target`"
          :shown="String(rounded(policy[row.name]))"
          :read="(text) => readPct(text, row.sign)"
          @typed="typePct(row.name, $event!)"
        />
        %
      </span>
      <span class="flex items-baseline gap-1">
        <TypedField
          class="w-40 max-sm:w-24"
          :label="`${row.words}, as a pressure`"
          :shown="units.pressureNumber(kpaOf(row.name, policy, target))"
          :read="readFigure"
          @typed="typeFigure(row, $event!)"
        />
        {{ units.pressureSymbol.value }}
      </span>
    </div>
    <div v-if="doubt" role="alert" class="border-l-2 border-next bg-raised p-3">
      You typed {{ units.pressureWords(doubt.typed) }} for {{ rounded(policy[doubt.name]) }}&nbsp;%
      {{ sideOf(doubt.name) > 0 ? 'over' : 'below' }}. {{ rounded(policy[doubt.name]) }}&nbsp;% of
      {{ units.pressureWords(target) }} {{ sideOf(doubt.name) > 0 ? 'over' : 'below' }} is
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
