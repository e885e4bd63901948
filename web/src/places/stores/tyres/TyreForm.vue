<script setup lang="ts">
import { reactive, watch } from 'vue';
import type { Problem } from '@/api/client';
import type { TyreItem, TyreRequest } from '@/api/tyres';
import NumberField from '@/shared/NumberField.vue';

/** What a tyre is; everything may be left open. */
const props = defineProps<{
  tyre?: TyreItem | undefined;
  isBusy: boolean;
  faults: Problem['faults'];
  verb: string;
}>();
const emit = defineEmits<{ done: [tyre: TyreRequest] }>();

const draft = reactive({
  maker: '',
  pattern: '',
  size: '',
  loadIndex: null as number | null,
  speedSymbol: '',
  dateCode: '',
  isRetread: '',
  isDirectional: '',
  note: '',
});
const yesNo = (value: boolean | null | undefined) => (value === true ? 'yes' : value === false ? 'no' : '');
watch(
  () => props.tyre?.id,
  () => {
    const tyre = props.tyre;
    draft.maker = tyre?.maker ?? '';
    draft.pattern = tyre?.pattern ?? '';
    draft.size = tyre?.size ?? '';
    draft.loadIndex = tyre?.loadIndex ?? null;
    draft.speedSymbol = tyre?.speedSymbol ?? '';
    draft.dateCode = tyre?.dateCode ?? '';
    draft.isRetread = yesNo(tyre?.isRetread);
    draft.isDirectional = yesNo(tyre?.isDirectional);
    draft.note = tyre?.note ?? '';
  },
  { immediate: true },
);

const faultOf = (field: string) =>
  props.faults.find((fault) => fault.field === field || fault.field === `tyre.${field}`)?.message;
const said = (value: string) => (value === '' ? null : value === 'yes');

const TEXTS = [
  { field: 'size', label: 'Size, as on the sidewall', longest: 40 },
  { field: 'maker', label: 'Maker', longest: 60 },
  { field: 'pattern', label: 'Pattern', longest: 60 },
  { field: 'dateCode', label: 'Date code, four digits', longest: 4 },
  { field: 'speedSymbol', label: 'Speed symbol', longest: 2 },
] as const;
const QUESTIONS = [
  { field: 'isRetread', label: 'Retread' },
  { field: 'isDirectional', label: 'Turns one way only' },
] as const;

const send = () =>
  emit('done', {
    maker: draft.maker.trim() || null,
    pattern: draft.pattern.trim() || null,
    size: draft.size.trim() || null,
    loadIndex: draft.loadIndex,
    speedSymbol: draft.speedSymbol.trim() || null,
    dateCode: draft.dateCode.trim() || null,
    isRetread: said(draft.isRetread),
    isDirectional: said(draft.isDirectional),
    note: draft.note.trim() || null,
  });
</script>

<template>
  <form class="grid gap-2" @submit.prevent="send">
    <div class="grid gap-2 sm:grid-cols-2">
      <label v-for="one in TEXTS" :key="one.field" class="block"
        >{{ one.label }}
        <input
          v-model="draft[one.field]"
          class="field mt-0.5 block w-full"
          :maxlength="one.longest"
          :aria-invalid="Boolean(faultOf(one.field))"
        />
        <span v-if="faultOf(one.field)" class="block text-stop">{{ faultOf(one.field) }}</span>
      </label>
      <NumberField
        v-model="draft.loadIndex"
        label="Load index"
        :least="60"
        :most="210"
        is-optional
        is-whole
        :fault="faultOf('loadIndex')"
      />
      <label v-for="one in QUESTIONS" :key="one.field" class="block"
        >{{ one.label }}
        <select v-model="draft[one.field]" class="field mt-0.5 block w-full">
          <option value="">not known</option>
          <option value="yes">yes</option>
          <option value="no">no</option>
        </select>
      </label>
    </div>
    <label class="block"
      >Note
      <textarea v-model="draft.note" class="field mt-0.5 block w-full" rows="2" maxlength="500"></textarea>
      <span v-if="faultOf('note')" class="block text-stop">{{ faultOf('note') }}</span>
    </label>
    <slot />
    <div>
      <button type="submit" class="button button-main min-h-11" :disabled="isBusy">{{ verb }}</button>
    </div>
  </form>
</template>
