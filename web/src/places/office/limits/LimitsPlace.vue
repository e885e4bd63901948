<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { RouterLink, useRoute } from 'vue-router';
import { Problem } from '@/api/client';
import { useVehicle, useVehicles } from '@/api/fleet';
import {
  useLimitChanges,
  useLimits,
  type LimitEdit,
  type LimitPolicy,
  type LimitPreview,
} from '@/api/limits';
import { useSession } from '@/api/session';
import ChoiceRow from '@/shared/ChoiceRow.vue';
import { KIND_CHOICES, ROLE_CHOICES, roleWords, vehicleKindWords } from '@/shared/position';
import PressureField from '@/shared/PressureField.vue';
import { useClock } from '@/shared/time';
import { useUnits } from '@/shared/units';
import LimitRuler from './LimitRuler.vue';
import TypedLimits from './TypedLimits.vue';

/** Limits at every level, on a ruler, with what a change comes to before it is made. */
const route = useRoute();
const { isManager } = useSession();
const { data: limits } = useLimits();
const { data: vehicles } = useVehicles();
const { show, make, undo } = useLimitChanges();
const units = useUnits();
const { at } = useClock();

type Level = NonNullable<LimitEdit['level']>;
const LEVELS: { value: Level; words: string }[] = [
  { value: 'FLEET', words: 'the fleet’s policy' },
  { value: 'TEMPLATE', words: 'a kind and role' },
  { value: 'AXLES', words: 'chosen axles' },
];
const level = ref<Level>(typeof route.query.vehicle === 'string' ? 'AXLES' : 'FLEET');
const kind = ref<string>('');
const role = ref<string>('');
const depot = ref('');
const tyreSize = ref('');
const vehicleRef = ref(typeof route.query.vehicle === 'string' ? route.query.vehicle : '');
const axleNumber = ref<number | ''>(typeof route.query.axle === 'string' ? Number(route.query.axle) : '');
const { vehicle } = useVehicle(() => vehicleRef.value || undefined);

const NAMES = [
  'basis',
  'lowPct',
  'lowCriticalPct',
  'highPct',
  'temperatureC',
  'temperatureCriticalC',
] as const;
const start = ref<LimitPolicy>();
const policy = ref<LimitPolicy>();
const startTarget = ref(800);
const target = ref(800);
const preview = ref<LimitPreview>();
const trouble = ref('');
const made = ref<LimitPreview>();

const axle = computed(() => vehicle.value?.axles[Number(axleNumber.value || 1) - 1]);
const depots = computed(() =>
  [...new Set(vehicles.value?.items.map((one) => one.depot) ?? [])].filter(Boolean).sort(),
);

/** The ruler begins with what is in force where the change is made. */
const inForce = computed<LimitPolicy | undefined>(() => {
  if (!limits.value) return undefined;
  if (level.value === 'AXLES' && axle.value) return axle.value.policy;
  const template = limits.value.templates.find(
    (one) => level.value === 'TEMPLATE' && one.kind === kind.value && one.role === role.value,
  );
  const own = Object.fromEntries(
    Object.entries(template?.limits ?? {}).filter(([, value]) => value !== null),
  );
  return { ...limits.value.policy, ...own };
});
function begin(): void {
  if (!inForce.value) return;
  start.value = { ...inForce.value };
  policy.value = { ...inForce.value };
  if (level.value === 'AXLES' && axle.value) {
    startTarget.value = axle.value.limits.targetKpa;
    target.value = axle.value.limits.targetKpa;
  }
  preview.value = undefined;
}
watch([inForce, level], begin, { immediate: true });
watch([policy, target, kind, role, depot, tyreSize, vehicleRef, axleNumber], () => {
  preview.value = undefined;
  trouble.value = '';
});

const changed = computed(() =>
  NAMES.filter((name) => policy.value && start.value && policy.value[name] !== start.value[name]),
);
const isTargetChanged = computed(() => level.value === 'AXLES' && target.value !== startTarget.value);
const isChanged = computed(() => changed.value.length > 0 || isTargetChanged.value);

const edit = computed<LimitEdit>(() => ({
  level: level.value,
  kind: (kind.value || null) as NonNullable<LimitEdit['kind']> | null,
  role: (role.value || null) as NonNullable<LimitEdit['role']> | null,
  depot: depot.value || null,
  tyreSize: tyreSize.value || null,
  vehicles: level.value === 'AXLES' && vehicleRef.value ? [vehicleRef.value] : null,
  axle: level.value === 'AXLES' && vehicleRef.value ? axleNumber.value || null : null,
  limits: Object.fromEntries(changed.value.map((name) => [name, policy.value?.[name]])) as NonNullable<
    LimitEdit['limits']
  >,
  coldPressureKpa: isTargetChanged.value ? target.value : null,
  inherit: null,
}));

async function attempt(what: () => Promise<void>): Promise<void> {
  trouble.value = '';
  try {
    await what();
  } catch (e) {
    trouble.value = e instanceof Problem ? e.message : String(e);
  }
}
const look = () => attempt(async () => void (preview.value = await show(edit.value)));
const apply = () =>
  attempt(async () => {
    const outcome = await make(edit.value);
    if (outcome.faults.length) preview.value = outcome;
    else made.value = outcome;
  });
const takeBack = (id: string) =>
  attempt(async () => {
    await undo(id);
    made.value = undefined;
  });
/** Limits of its own that a template or an axle no longer wants. */
const inherit = () =>
  attempt(async () => {
    made.value = await make({ ...edit.value, limits: null, coldPressureKpa: null, inherit: [...NAMES] });
  });
const BASES: { value: LimitPolicy['basis']; words: string }[] = [
  { value: 'COMPENSATED', words: 'at 20 °C' },
  { value: 'GAUGE', words: 'on the gauge' },
];
const basis = computed({
  get: () => policy.value?.basis ?? 'COMPENSATED',
  set: (value) => {
    if (policy.value) policy.value = { ...policy.value, basis: value };
  },
});
const wheelsWords = (count: number) => (count ? `${count} ${count === 1 ? 'wheel' : 'wheels'}` : 'no wheel');
const axlesWords = (count: number) => `${count} ${count === 1 ? 'axle' : 'axles'}`;
const change = (before: number, after: number) =>
  before === after
    ? units.pressureNumber(after)
    : `${units.pressureNumber(before)} → ${units.pressureNumber(after)}`;
</script>

<template>
  <div class="px-6 py-4">
    <p><RouterLink to="/office">Office</RouterLink></p>
    <h1 class="mt-1 text-xl">Limits</h1>
    <p v-if="!isManager" class="mt-2 text-quiet">A manager sets these; you see what is in force.</p>
    <div v-if="policy" class="mt-3 grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_22rem]">
      <div class="grid min-w-0 content-start gap-4">
        <ChoiceRow v-model="level" label="Change" :choices="LEVELS" />
        <div v-if="level !== 'FLEET'" class="flex flex-wrap items-end gap-3">
          <label v-if="level === 'AXLES'" class="block"
            >Vehicle
            <input
              v-model="vehicleRef"
              class="field figure mt-0.5 block w-32"
              list="limit-refs"
              placeholder="all"
              autocomplete="off"
            />
            <datalist id="limit-refs">
              <option v-for="one in vehicles?.items" :key="one.ref" :value="one.ref"></option>
            </datalist>
          </label>
          <label v-if="level === 'AXLES' && vehicle" class="block"
            >Axle
            <select v-model="axleNumber" class="field mt-0.5 block w-auto">
              <option value="">all</option>
              <option v-for="(one, i) in vehicle.axles" :key="i" :value="i + 1">
                {{ i + 1 }} {{ roleWords(one.role) }}
              </option>
            </select>
          </label>
          <label class="block"
            >Kind
            <select v-model="kind" class="field mt-0.5 block w-auto">
              <option value="">{{ level === 'TEMPLATE' ? 'choose' : 'all' }}</option>
              <option v-for="one in KIND_CHOICES" :key="one" :value="one">{{ vehicleKindWords(one) }}</option>
            </select>
          </label>
          <label class="block"
            >Role
            <select v-model="role" class="field mt-0.5 block w-auto">
              <option value="">{{ level === 'TEMPLATE' ? 'choose' : 'all' }}</option>
              <option v-for="one in ROLE_CHOICES" :key="one" :value="one">{{ roleWords(one) }}</option>
            </select>
          </label>
          <template v-if="level === 'AXLES'">
            <label class="block"
              >Depot
              <select v-model="depot" class="field mt-0.5 block w-auto">
                <option value="">all</option>
                <option v-for="one in depots" :key="one ?? ''">{{ one }}</option>
              </select>
            </label>
            <label class="block"
              >Tyre size
              <select v-model="tyreSize" class="field mt-0.5 block w-auto">
                <option value="">all</option>
                <option v-for="one in limits?.tyreSizes" :key="one">{{ one }}</option>
              </select>
            </label>
          </template>
        </div>
        <div v-if="level === 'FLEET'" class="flex flex-wrap items-center gap-2">
          <span class="w-32 text-quiet">Start from</span>
          <button
            v-for="school in limits?.schools"
            :key="school.school"
            type="button"
            class="button"
            @click="policy = { ...school.policy }"
          >
            {{ school.words }}
          </button>
        </div>
        <ChoiceRow v-model="basis" label="Judged" :choices="BASES" />
        <LimitRuler v-model:policy="policy" v-model:target="target" :is-target-fixed="level !== 'AXLES'" />
        <div class="flex flex-wrap items-start gap-x-8 gap-y-2">
          <TypedLimits v-model="policy" :target="target" />
          <PressureField
            v-model="target"
            class="w-48"
            :label="level === 'AXLES' ? 'Cold target' : 'Shown for a target of'"
          />
        </div>
      </div>
      <section class="min-w-0">
        <h2 class="text-base">What changes</h2>
        <p v-if="!isChanged" class="text-quiet">Nothing yet. Move a handle, or type a figure.</p>
        <div v-else class="flex flex-wrap gap-2">
          <button type="button" class="button" :disabled="!isManager" @click="look">See what changes</button>
          <button
            type="button"
            class="button button-main"
            :disabled="!isManager || !preview || preview.faults.length > 0"
            @click="apply"
          >
            Apply{{ preview ? ` to ${axlesWords(preview.axles.length)}` : '' }}
          </button>
          <button type="button" class="button" @click="begin">Leave it</button>
        </div>
        <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
        <div v-if="made?.batch" role="status" class="mt-2">
          Done for {{ axlesWords(made.axles.length) }}.
          <button type="button" class="link" @click="takeBack(made.batch)">Undo it</button>
        </div>
        <div v-if="preview" class="mt-3" role="status">
          <p
            v-for="fault in preview.faults.slice(0, 8)"
            :key="`${fault.vehicle}${fault.axle}`"
            class="text-stop"
          >
            <span class="figure">{{ fault.vehicle }}</span> axle {{ fault.axle }}: {{ fault.message }}
          </p>
          <p v-if="!preview.faults.length">
            {{ axlesWords(preview.axles.length) }} {{ preview.axles.length === 1 ? 'changes' : 'change' }}. By
            the latest readings {{ wheelsWords(preview.opens.length) }} would be newly outside, and
            {{ wheelsWords(preview.closes.length) }} back in band.
          </p>
          <ul v-if="preview.opens.length" class="mt-1">
            <li
              v-for="one in preview.opens.slice(0, 12)"
              :key="`${one.vehicle}${one.position}`"
              class="text-next"
            >
              <span class="figure">{{ one.vehicle }}</span> {{ one.words }}
            </li>
          </ul>
          <ul v-if="preview.closes.length" class="mt-1">
            <li
              v-for="one in preview.closes.slice(0, 12)"
              :key="`${one.vehicle}${one.position}`"
              class="text-quiet"
            >
              <span class="figure">{{ one.vehicle }}</span> {{ one.words }}
            </li>
          </ul>
          <table v-if="preview.axles.length" class="mt-3 w-full [&_td]:py-0.5 [&_td]:pr-3">
            <thead class="text-quiet">
              <tr class="border-b border-rule">
                <th class="font-normal">Axle</th>
                <th class="font-normal">Second low</th>
                <th class="font-normal">First low</th>
                <th class="font-normal">Over</th>
              </tr>
            </thead>
            <tbody>
              <tr
                v-for="one in preview.axles.slice(0, 20)"
                :key="`${one.vehicle}${one.axle}`"
                class="border-b border-rule"
              >
                <td class="figure whitespace-nowrap">{{ one.vehicle }} {{ one.axle }}</td>
                <td class="figure">{{ change(one.before.lowCriticalKpa, one.after.lowCriticalKpa) }}</td>
                <td class="figure">{{ change(one.before.lowKpa, one.after.lowKpa) }}</td>
                <td class="figure">{{ change(one.before.highKpa, one.after.highKpa) }}</td>
              </tr>
            </tbody>
          </table>
          <p v-if="preview.axles.length > 20" class="text-quiet">
            and {{ preview.axles.length - 20 }} more axles
          </p>
        </div>
        <button v-if="isManager && level !== 'FLEET'" type="button" class="link mt-4 block" @click="inherit">
          Let these inherit everything again
        </button>
        <section v-if="limits?.changes.length" class="mt-6">
          <h2 class="text-base">Changed lately</h2>
          <ul class="border-t border-rule">
            <li v-for="one in limits.changes.slice(0, 8)" :key="one.id" class="border-b border-rule py-1">
              {{ one.words }} <span class="text-quiet">{{ at(new Date(one.at)) }}, {{ one.who }}</span>
              <button
                v-if="isManager && !one.isUndone"
                type="button"
                class="link ml-2"
                @click="takeBack(one.id)"
              >
                undo
              </button>
              <span v-else-if="one.isUndone" class="ml-2 text-quiet">undone</span>
            </li>
          </ul>
        </section>
      </section>
    </div>
  </div>
</template>
