<script setup lang="ts" generic="T extends string">
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue';

/** One of a few, side by side. */
defineProps<{ label: string; choices: { value: T; words: string }[] }>();
const model = defineModel<T>({ required: true });
</script>

<template>
  <RadioGroup v-model="model" class="flex flex-wrap items-center gap-x-3 gap-y-1">
    <RadioGroupLabel as="span" class="w-32 shrink-0 text-quiet max-sm:w-full">{{ label }}</RadioGroupLabel>
    <RadioGroupOption
      v-for="choice in choices"
      :key="choice.value"
      v-slot="{ checked }"
      :value="choice.value"
      as="template"
    >
      <span
        class="cursor-pointer rounded-[3px] border px-2.5 py-1 max-sm:py-2.5"
        :class="checked ? 'border-action font-semibold ring-1 ring-action' : 'border-rule'"
        >{{ choice.words }}</span
      >
    </RadioGroupOption>
  </RadioGroup>
</template>
