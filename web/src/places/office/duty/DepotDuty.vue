<script setup lang="ts">
import { computed, reactive } from 'vue';
import type { DepotDuty, ReplacementLine, ShiftLine, useDuty } from '@/api/duty';
import { usePeople } from '@/api/people';
import type { Schemas } from '@/api/client';
import { useAttempt } from '@/shared/useAttempt';
import { vStacked } from '@/shared/stacked';

/** The duty list of a depot: its week, and exceptions of single days. */
const props = defineProps<{
  duty: DepotDuty;
  people: Schemas['Person'][];
  mayChange: boolean;
  set: ReturnType<typeof useDuty>['set'];
}>();

const { nameOf } = usePeople();
const { trouble, isBusy, attempt } = useAttempt();

type Day = NonNullable<ShiftLine['day']>;
const DAYS: [Day, string][] = [
  ['MONDAY', 'Monday'],
  ['TUESDAY', 'Tuesday'],
  ['WEDNESDAY', 'Wednesday'],
  ['THURSDAY', 'Thursday'],
  ['FRIDAY', 'Friday'],
  ['SATURDAY', 'Saturday'],
  ['SUNDAY', 'Sunday'],
];
const WHEN: [string, string, Day[]][] = [
  ['WEEK', 'Monday to Friday', ['MONDAY', 'TUESDAY', 'WEDNESDAY', 'THURSDAY', 'FRIDAY']],
  ['ALL', 'every day', DAYS.map(([day]) => day)],
  ...DAYS.map(([day, words]): [string, string, Day[]] => [day, words, [day]]),
];
const dayWords = (day: Day | null | undefined) => DAYS.find(([one]) => one === day)?.[1] ?? '';

const fresh = reactive({ who: '', when: 'WEEK', from: '06:00', to: '18:00' });
const exception = reactive({ date: '', who: '', instead: '' });
const onShifts = computed(() => [...new Set(props.duty.shifts.map((shift) => shift.who ?? ''))]);
const isNight = (shift: ShiftLine) => (shift.to ?? '') <= (shift.from ?? '');

const store = (shifts: ShiftLine[], replacements: ReplacementLine[]) =>
  attempt(() => props.set({ depot: props.duty.depot, shifts, replacements }));

async function add(): Promise<void> {
  const days = WHEN.find(([when]) => when === fresh.when)?.[2] ?? [];
  const more = days.map((day) => ({ who: fresh.who, day, from: fresh.from, to: fresh.to }));
  await store([...props.duty.shifts, ...more], props.duty.replacements);
}
const remove = (at: number) =>
  store(
    props.duty.shifts.filter((_, i) => i !== at),
    props.duty.replacements,
  );
async function except(): Promise<void> {
  const one = { date: exception.date, who: exception.who, instead: exception.instead || null };
  if (await store(props.duty.shifts, [...props.duty.replacements, one])) exception.date = '';
}
const unexcept = (at: number) =>
  store(
    props.duty.shifts,
    props.duty.replacements.filter((_, i) => i !== at),
  );
const dateWords = (date: string | null | undefined) =>
  date
    ? new Date(`${date}T12:00`).toLocaleDateString('en-GB', {
        weekday: 'short',
        day: 'numeric',
        month: 'short',
      })
    : '';
</script>

<template>
  <section :aria-label="`Duty list of ${duty.depot}`">
    <p role="status" class="border-l-3 border-action pl-3">
      <span class="font-medium">On duty at {{ duty.depot }} now:</span>
      {{
        duty.now.length
          ? duty.now.map((who) => nameOf(who)).join(', then ')
          : 'nobody; all managers are called'
      }}
    </p>
    <table v-if="duty.shifts.length" v-stacked class="mt-3 w-full [&_td]:pr-4 [&_th]:pr-4">
      <caption class="spoken">
        The week, in the order in which people are called
      </caption>
      <thead class="text-quiet">
        <tr class="border-b border-rule">
          <th scope="col" class="py-1 text-left font-normal">Who</th>
          <th scope="col" class="text-left font-normal">Begins on</th>
          <th scope="col" class="text-left font-normal">From</th>
          <th scope="col" class="text-left font-normal">To</th>
          <th scope="col"><span class="spoken">Take out</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(shift, i) in duty.shifts" :key="i" class="border-b border-rule">
          <th scope="row" class="py-1.5 text-left font-medium">{{ nameOf(shift.who) }}</th>
          <td>{{ dayWords(shift.day) }}</td>
          <td class="figure">{{ shift.from }}</td>
          <td>
            <span class="figure">{{ shift.to }}</span><template v-if="isNight(shift)"
              >, the day after</template
            >
          </td>
          <td class="text-right">
            <button
              v-if="mayChange"
              type="button"
              class="link"
              :disabled="isBusy"
              :aria-label="`Take out ${nameOf(shift.who)}, ${dayWords(shift.day)} ${shift.from}`"
              @click="remove(i)"
            >
              Take out
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else class="mt-3 text-quiet">
      Nobody stands on this list yet. Times are by the clock of {{ duty.timeZone }}.
    </p>

    <form v-if="mayChange" class="mt-3 flex flex-wrap items-end gap-3" @submit.prevent="add">
      <label
        >Who
        <select v-model="fresh.who" class="field mt-1" required>
          <option v-for="person in people" :key="person.userName" :value="person.userName">
            {{ person.displayName }}
          </option>
        </select>
      </label>
      <label
        >When
        <select v-model="fresh.when" class="field mt-1">
          <option v-for="[when, words] in WHEN" :key="when" :value="when">{{ words }}</option>
        </select>
      </label>
      <label>From <input v-model="fresh.from" type="time" class="field mt-1" required /></label>
      <label>To <input v-model="fresh.to" type="time" class="field mt-1" required /></label>
      <button type="submit" class="button" :disabled="isBusy">Add to the week</button>
    </form>

    <h2 class="mt-6 text-base">Exceptions</h2>
    <ul v-if="duty.replacements.length" class="mt-1 border-t border-rule">
      <li
        v-for="(one, i) in duty.replacements"
        :key="i"
        class="flex flex-wrap items-baseline gap-x-4 border-b border-rule py-1.5"
      >
        <span class="figure">{{ dateWords(one.date) }}</span>
        <span class="grow"
          >{{ one.instead ? nameOf(one.instead) : 'nobody' }} instead of {{ nameOf(one.who) }}</span
        >
        <button
          v-if="mayChange"
          type="button"
          class="link"
          :disabled="isBusy"
          :aria-label="`Take out the exception of ${dateWords(one.date)}`"
          @click="unexcept(i)"
        >
          Take out
        </button>
      </li>
    </ul>
    <p v-else class="text-quiet">None: the week goes on as it stands.</p>
    <form
      v-if="mayChange && onShifts.length"
      class="mt-3 flex flex-wrap items-end gap-3"
      @submit.prevent="except"
    >
      <label>On <input v-model="exception.date" type="date" class="field mt-1" required /></label>
      <label
        >Instead of
        <select v-model="exception.who" class="field mt-1" required>
          <option v-for="who in onShifts" :key="who" :value="who">{{ nameOf(who) }}</option>
        </select>
      </label>
      <label
        >Is on duty
        <select v-model="exception.instead" class="field mt-1">
          <option value="">nobody</option>
          <option v-for="person in people" :key="person.userName" :value="person.userName">
            {{ person.displayName }}
          </option>
        </select>
      </label>
      <button type="submit" class="button" :disabled="isBusy">Add the exception</button>
    </form>
    <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
  </section>
</template>
