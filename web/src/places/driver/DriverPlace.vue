<script setup lang="ts">
import { useDocumentVisibility } from '@vueuse/core';
import { computed, watch } from 'vue';
import { RouterLink } from 'vue-router';
import { useDriverPage, useDriverWords, type DriverPage } from '@/api/driver';
import { useCombination } from '@/api/couplings';
import { useVehicle } from '@/api/fleet';
import { prefer, useSession } from '@/api/session';
import CombinationStrip from '@/shared/CombinationStrip.vue';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import ChoiceRow from '@/shared/ChoiceRow.vue';
import { useClock } from '@/shared/time';
import { urgencyText } from '@/shared/urgency';
import UrgencyMark from '@/shared/UrgencyMark.vue';
import { useAttempt } from '@/shared/useAttempt';
import DriverAnswers from './DriverAnswers.vue';
import MayLeave from './MayLeave.vue';
import PullsBehind from './PullsBehind.vue';
import NutsDue from './NutsDue.vue';
import WalksDue from './WalksDue.vue';

/** A driver's own page: one instruction, big, in their language. */
const { data: page, error, refetch } = useDriverPage();
const { read } = useDriverWords();
const { preferences } = useSession();
const { at } = useClock();
const { trouble, attempt } = useAttempt();
const visibility = useDocumentVisibility();

const first = computed(() => page.value?.tasks[0]);
/** The gate's word on the vehicle that is held most; nobody is told that nothing is open while it may not leave. */
const worst = computed(() => page.value?.leaving[0]);
const isHeld = computed(() => !!worst.value && worst.value.verdict !== 'MAY_LEAVE');
const more = computed(() => page.value?.tasks.slice(1) ?? []);
const { vehicle } = useVehicle(() => first.value?.vehicle);
const combination = useCombination(vehicle);

/** What lies before somebody's eyes is read: the workshop wants to know. */
watch(
  () => [first.value?.alert, first.value?.told, first.value?.isRead, visibility.value] as const,
  ([alert, told, isRead, seen]) => {
    // Without signal it is said as soon as the page comes again.
    if (alert && told && !isRead && seen === 'visible') void read(alert).catch(() => undefined);
  },
  { immediate: true },
);

const speak = (language: DriverPage['language']) =>
  attempt(async () => {
    await prefer({ ...preferences.value, language });
    await refetch();
  });
</script>

<template>
  <p v-if="error && !page" role="alert" class="p-5 text-next">{{ error.message }}</p>
  <article v-else-if="page" :lang="page.tag" class="mx-auto w-full max-w-xl px-5 pt-3 pb-8 text-[17px]">
    <p class="border-l-3 border-ink pl-3 font-medium">{{ page.words.whenStopped }}</p>

    <template v-if="first">
      <h1 class="mt-4 flex gap-2.5 text-[25px] leading-tight" :class="urgencyText(first.urgency)">
        <UrgencyMark :urgency="first.urgency" class="mt-2 flex-none" /> {{ first.instruction.doNow }}
      </h1>
      <p class="mt-2 text-xl leading-snug font-medium">{{ first.instruction.where }}</p>
      <SidewaysScroll v-if="vehicle" :label="page.words.strip ?? ''">
        <CombinationStrip
          :vehicles="combination"
          size="page"
          :chosen-in="vehicle.ref"
          :chosen="first.position ?? undefined"
          :grow="0.8"
        />
      </SidewaysScroll>
      <p>{{ first.instruction.why }}</p>

      <section v-if="first.instruction.doNot.length" class="mt-3 border-l-3 border-stop pl-3">
        <h2 class="spoken">{{ page.words.doNot }}</h2>
        <ul class="grid gap-1 font-medium">
          <li v-for="one in first.instruction.doNot" :key="one">{{ one }}</li>
        </ul>
      </section>
      <p class="mt-3">{{ first.instruction.then }}</p>

      <a
        v-if="first.call"
        class="button button-main mt-4 flex min-h-14 items-center justify-center text-lg no-underline"
        :href="`tel:${first.call.phone.replace(/[^+0-9]/g, '')}`"
        >{{ page.words.call }}: {{ first.call.depot }}&ensp;<span class="figure">{{
          first.call.phone
        }}</span></a
      >
      <p v-else class="mt-4">{{ page.words.noNumber }}</p>
      <p v-if="first.told" class="mt-2 text-quiet">{{ page.words.told }} {{ at(first.told) }}</p>

      <DriverAnswers class="mt-5" :task="first" :words="page.words" />
      <MayLeave class="mt-6 border-t border-rule pt-3" :leaving="page.leaving" :words="page.words" />
      <NutsDue class="mt-6 border-t border-rule pt-3" :retorques="page.retorques" :words="page.words" />
      <WalksDue class="mt-6 border-t border-rule pt-3" :walks="page.walks" :words="page.words" />
      <PullsBehind class="mt-6 border-t border-rule pt-3" :pulls="page.pulls" :words="page.words" />

      <section v-if="more.length" class="mt-6 border-t border-rule pt-3">
        <h2>{{ page.words.more }}</h2>
        <ul class="mt-1">
          <li v-for="task in more" :key="task.alert" class="border-t border-rule first:border-t-0">
            <details>
              <summary class="flex cursor-pointer items-center gap-2.5 py-3">
                <UrgencyMark :urgency="task.urgency" /> <span>{{ task.instruction.where }}</span>
              </summary>
              <div class="grid gap-2 pb-4">
                <p class="font-medium">{{ task.instruction.doNow }}</p>
                <p>{{ task.instruction.why }}</p>
                <p v-for="one in task.instruction.doNot" :key="one" class="font-medium">{{ one }}</p>
                <DriverAnswers class="mt-2" :task="task" :words="page.words" />
              </div>
            </details>
          </li>
        </ul>
      </section>
      <p class="mt-5">
        <RouterLink :to="{ name: 'desk', params: { id: first.alert } }" class="way">{{
          page.words.details
        }}</RouterLink>
      </p>
    </template>
    <template v-else>
      <h1 class="mt-4 text-[25px] leading-tight">
        <template v-if="isHeld && worst">
          <span class="figure">{{ worst.vehicle }}</span>: {{ worst.words }}
        </template>
        <template v-else>{{ page.vehicles ? page.words.nothing : page.words.noVehicle }}</template>
      </h1>
      <p v-if="page.vehicles && !isHeld" class="mt-2">{{ page.words.nothingMore }}</p>
      <MayLeave class="mt-5" :leaving="page.leaving" :words="page.words" />
      <NutsDue class="mt-5" :retorques="page.retorques" :words="page.words" />
      <WalksDue class="mt-5" :walks="page.walks" :words="page.words" />
      <PullsBehind class="mt-5" :pulls="page.pulls" :words="page.words" />
    </template>
    <p class="mt-5 text-quiet">{{ page.words.caution }}</p>
    <ChoiceRow
      class="mt-5"
      :label="page.words.language ?? ''"
      :choices="page.languages.map(({ name, words }) => ({ value: name, words }))"
      :model-value="page.language"
      @update:model-value="speak"
    />
    <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
  </article>
</template>
