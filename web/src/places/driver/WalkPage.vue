<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core';
import { computed, nextTick, ref, useTemplateRef } from 'vue';
import { RouterLink } from 'vue-router';
import { useDriverPage, useDriverWords, type WalkPoint } from '@/api/driver';
import { useVehicle } from '@/api/fleet';
import { useSession } from '@/api/session';
import AxleStrip from '@/shared/AxleStrip.vue';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import { useAttempt } from '@/shared/useAttempt';
import PhotoButton from './PhotoButton.vue';

/** The walk round a vehicle before the first trip: one press where all is well, a few where it is not. */
const props = defineProps<{ vehicleRef: string }>();

const POINTS: WalkPoint[] = ['FLAT', 'DAMAGE', 'AIR', 'TREAD', 'NUTS', 'TWINS', 'VALVE', 'OTHER'];
/** What stands for the whole vehicle among its wheels. */
const WHOLE = '*';
const LONGEST_WORDS = 200;

interface Found {
  key: number;
  point: WalkPoint;
  place: string;
  words: string;
}

const { data: page, error } = useDriverPage();
const { walk } = useDriverWords();
const { vehicle } = useVehicle(() => props.vehicleRef);
const { trouble, isBusy, attempt } = useAttempt();
const { account } = useSession();
/** What was pressed stays over a page that is loaded anew, where there is no signal; it is nobody else's at this phone. */
const found = useSessionStorage<Found[]>(
  `vivid-caravan.walk.${account.value?.userName ?? ''}.${props.vehicleRef}`,
  [],
);
const alerts = ref<string[]>();
const isAsked = ref(false);
const list = useTemplateRef<HTMLOListElement>('list');
const result = useTemplateRef<HTMLHeadingElement>('result');

const words = computed<Record<string, string>>(() => page.value?.words ?? {});
const own = computed(() => page.value?.walks.find((one) => one.vehicle === props.vehicleRef));
const marks = computed(() =>
  Object.fromEntries(
    found.value.filter(({ place }) => place && place !== WHOLE).map(({ place }) => [place, '!']),
  ),
);

async function add(point: WalkPoint): Promise<void> {
  isAsked.value = false;
  const key = Math.max(0, ...found.value.map((one) => one.key)) + 1;
  found.value.push({ key, point, place: '', words: '' });
  await nextTick();
  list.value?.querySelector<HTMLSelectElement>('li:last-child select')?.focus();
}

async function remove(key: number): Promise<void> {
  found.value = found.value.filter((one) => one.key !== key);
  await nextTick();
  list.value?.focus();
}

async function send(): Promise<void> {
  const open = found.value.findIndex(({ place }) => !place);
  isAsked.value = open >= 0;
  if (isAsked.value) {
    list.value?.querySelectorAll('select')[open]?.focus();
    return;
  }
  const isWell = !found.value.length;
  const isSent = await attempt(
    async () => {
      alerts.value = await walk(
        props.vehicleRef,
        found.value.map(({ point, place, words: said }) => ({
          point,
          position: place === WHOLE ? null : place,
          words: said.trim() || null,
        })),
      );
    },
    words.value.sending,
    { done: words.value[isWell ? 'walk.sent' : 'walk.sentFault'] ?? '' },
  );
  if (!isSent) return;
  found.value = [];
  await nextTick();
  result.value?.focus();
}
</script>

<template>
  <p v-if="error && !page" role="alert" class="p-5 text-next">{{ error.message }}</p>
  <article v-else-if="page" :lang="page.tag" class="mx-auto w-full max-w-xl px-5 pt-3 pb-8 text-[17px]">
    <template v-if="alerts">
      <h1 ref="result" tabindex="-1" class="mt-4 text-[25px] leading-tight">
        {{ words[alerts.length ? 'walk.sentFault' : 'walk.sent'] }}
      </h1>
      <PhotoButton
        v-for="alert in alerts"
        :key="alert"
        class="mt-4"
        :alert="alert"
        :words="words"
        :label="words['walk.photo'] ?? ''"
      />
    </template>
    <template v-else>
      <h1 class="mt-4 text-[25px] leading-tight">{{ words['walk.of'] }} {{ vehicleRef }}</h1>
      <p class="mt-2">{{ words['walk.look'] }}</p>
      <SidewaysScroll v-if="vehicle" :label="words.strip ?? ''">
        <AxleStrip :vehicle="vehicle" size="page" :marks="marks" :grow="0.8" />
      </SidewaysScroll>

      <ol ref="list" tabindex="-1" class="grid gap-3" :class="{ 'mt-3': found.length }">
        <li v-for="one in found" :key="one.key" class="border-l-3 border-before pl-3">
          <p :id="`found-${one.key}`" class="font-medium">{{ words[`walk.${one.point}`] }}</p>
          <label class="mt-1 block">
            {{ words['walk.where'] }}
            <select
              v-model="one.place"
              class="field mt-1 min-h-14 w-full"
              :aria-invalid="isAsked && !one.place"
              :aria-describedby="`found-${one.key}${isAsked && !one.place ? ` lacks-${one.key}` : ''}`"
            >
              <option value="" disabled></option>
              <option v-for="wheel in own?.wheels" :key="wheel.position" :value="wheel.position">
                {{ wheel.words }}
              </option>
              <option :value="WHOLE">{{ words['walk.whole'] }}</option>
            </select>
          </label>
          <p v-if="isAsked && !one.place" :id="`lacks-${one.key}`" role="alert" class="mt-1 text-stop">
            {{ words['walk.choose'] }}
          </p>
          <label class="mt-2 block">
            {{ words['walk.words'] }}
            <input
              v-model="one.words"
              type="text"
              :maxlength="LONGEST_WORDS"
              class="field mt-1 min-h-14 w-full"
            />
          </label>
          <button
            type="button"
            class="button mt-2 min-h-11"
            :aria-describedby="`found-${one.key}`"
            @click="remove(one.key)"
          >
            {{ words['walk.remove'] }}
          </button>
        </li>
      </ol>

      <div class="mt-3 grid gap-2" role="group" :aria-label="words['walk.look']">
        <button
          v-for="point in POINTS"
          :key="point"
          type="button"
          class="button min-h-14 text-left!"
          :disabled="isBusy"
          @click="add(point)"
        >
          {{ words[`walk.${point}`] }}
        </button>
      </div>
      <p v-if="trouble" role="alert" class="mt-3 text-stop">{{ trouble }}</p>
      <button
        type="button"
        class="button button-main mt-4 min-h-16 w-full text-lg"
        :disabled="isBusy"
        @click="send"
      >
        {{ words[found.length ? 'walk.send' : 'walk.fine'] }}
      </button>
    </template>
    <p class="mt-5">
      <RouterLink :to="{ name: 'desk' }" class="way">{{ words['walk.back'] }}</RouterLink>
    </p>
    <p class="mt-5 text-quiet">{{ words.caution }}</p>
  </article>
</template>
