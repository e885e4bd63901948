<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { useVehicle } from '@/api/fleet';
import {
  useLimitChanges,
  useLimits,
  type LimitEdit,
  type LimitPolicy,
  type LimitPreview,
} from '@/api/limits';
import { useSession } from '@/api/session';
import ChoiceRow from '@/shared/ChoiceRow.vue';
import PressureField from '@/shared/PressureField.vue';
import TemperatureField from '@/shared/TemperatureField.vue';
import { useAttempt } from '@/shared/useAttempt';
import { useUnits } from '@/shared/units';
import { LIMITS, namesIn, wordsOf } from '@/shared/vocabulary';
import ChangesMade from './ChangesMade.vue';
import LimitPreviewSheet from './LimitPreviewSheet.vue';
import LimitRuler from './LimitRuler.vue';
import LimitScope from './LimitScope.vue';
import { axlesWords, type Scope } from './ruler';
import TypedLimits from './TypedLimits.vue';

/** Limits at every level, on a ruler, with what a change comes to before it is made. */
const route = useRoute();
const { isManager } = useSession();
const { data: limits } = useLimits();
const { show, make, undo } = useLimitChanges();

type Level = NonNullable<LimitEdit['level']>;
const LEVELS: { value: Level; words: string }[] = [
  { value: 'FLEET', words: 'the fleet’s policy' },
  { value: 'TEMPLATE', words: 'a kind and role' },
  { value: 'AXLES', words: 'chosen axles' },
];
const level = ref<Level>(typeof route.query.vehicle === 'string' ? 'AXLES' : 'FLEET');
const scope = reactive<Scope>({
  kind: '',
  role: '',
  depot: '',
  tyreSize: '',
  vehicleRef: typeof route.query.vehicle === 'string' ? route.query.vehicle : '',
  axleNumber: typeof route.query.axle === 'string' ? Number(route.query.axle) : '',
});
const { vehicle, isLoading: isVehicleComing } = useVehicle(() => scope.vehicleRef || undefined);

const NAMES = LIMITS.map((limit) => limit.name as keyof LimitPolicy);
const start = ref<LimitPolicy>();
const policy = ref<LimitPolicy>();
const startTarget = ref(800);
const target = ref(800);
const preview = ref<LimitPreview>();
const REFERENCE_C = 20;
/** Counts how often the fields begin anew with what is in force. */
const refill = ref(0);
const units = useUnits();
const { trouble, attempt } = useAttempt();
const made = ref<LimitPreview>();

const axle = computed(() => vehicle.value?.axles[Number(scope.axleNumber || 1) - 1]);

/** The ruler begins with what is in force where the change is made. */
const inForce = computed<LimitPolicy | undefined>(() => {
  if (!limits.value) return undefined;
  if (level.value === 'AXLES' && axle.value) return axle.value.policy;
  // What is set on the fleet's limits before its vehicle is there would be gone a moment later.
  if (level.value === 'AXLES' && isVehicleComing.value) return undefined;
  const template = limits.value.templates.find(
    (one) => level.value === 'TEMPLATE' && one.kind === scope.kind && one.role === scope.role,
  );
  return template?.inForce ?? limits.value.policy;
});
function begin(): void {
  if (!inForce.value) return;
  refill.value++;
  start.value = { ...inForce.value };
  policy.value = { ...inForce.value };
  if (level.value === 'AXLES' && axle.value) {
    startTarget.value = axle.value.limits.coldKpa;
    target.value = axle.value.limits.coldKpa;
  }
  preview.value = undefined;
}
function startFrom(school: LimitPolicy): void {
  policy.value = { ...school };
  refill.value++;
}
watch([inForce, level], begin, { immediate: true });
watch([policy, target, scope], () => {
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
  kind: (scope.kind || null) as NonNullable<LimitEdit['kind']> | null,
  role: (scope.role || null) as NonNullable<LimitEdit['role']> | null,
  depot: scope.depot || null,
  tyreSize: scope.tyreSize || null,
  vehicles: level.value === 'AXLES' && scope.vehicleRef ? [scope.vehicleRef] : null,
  axle: level.value === 'AXLES' && scope.vehicleRef ? scope.axleNumber || null : null,
  limits: Object.fromEntries(changed.value.map((name) => [name, policy.value?.[name]])) as NonNullable<
    LimitEdit['limits']
  >,
  coldPressureKpa: isTargetChanged.value ? target.value : null,
  inherit: null,
}));

const look = () =>
  attempt(async () => void (preview.value = await show(edit.value)), 'Looking what changes, axle by axle');
const apply = () =>
  attempt(async () => {
    const outcome = await make(edit.value);
    if (outcome.faults.length) preview.value = outcome;
    else made.value = outcome;
  }, 'Changing the limits, axle by axle');
const takeBack = (id: string) =>
  attempt(async () => {
    await undo(id);
    made.value = undefined;
  }, 'Taking the change back, axle by axle');
/** Limits of its own that a template or an axle no longer wants. */
const inherit = () =>
  attempt(async () => {
    made.value = await make({ ...edit.value, limits: null, coldPressureKpa: null, inherit: [...NAMES] });
  });
const BASES = namesIn('bases').map((value) => ({
  value: value as LimitPolicy['basis'],
  words: wordsOf('bases', value),
}));
const basis = computed({
  get: () => policy.value?.basis ?? 'COMPENSATED',
  set: (value) => {
    if (policy.value) policy.value = { ...policy.value, basis: value };
  },
});
/** Empty is 20 °C, the trade's own. */
const reference = computed({
  get: () => policy.value?.referenceC ?? null,
  set: (celsius) => {
    if (policy.value) policy.value = { ...policy.value, referenceC: celsius ?? REFERENCE_C };
  },
});
</script>

<template>
  <div>
    <div
      v-if="policy"
      class="grid grid-cols-[minmax(0,1fr)] gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_22rem]"
    >
      <div class="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-4">
        <ChoiceRow v-model="level" label="Change" :choices="LEVELS" />
        <LimitScope v-if="level !== 'FLEET'" v-model="scope" :is-of-axles="level === 'AXLES'" />
        <div v-if="level === 'FLEET'" class="flex flex-wrap items-center gap-2">
          <span class="w-32 text-quiet">Start from</span>
          <button
            v-for="school in limits?.schools"
            :key="school.school"
            type="button"
            class="button"
            @click="startFrom(school.policy)"
          >
            {{ school.words }}
          </button>
        </div>
        <ChoiceRow v-model="basis" label="Judged" :choices="BASES" />
        <div v-if="basis === 'COMPENSATED'" class="flex flex-wrap items-start gap-x-4">
          <TemperatureField :key="refill" v-model="reference" class="w-32" label="Targets hold at" />
          <p class="max-w-prose flex-1 basis-72 text-quiet">
            How warm a tyre is that is to have its cold target: {{ units.temperatureWords(REFERENCE_C) }}, or
            what a season’s mornings are like. Moved down for the winter, every tyre is to have more air, and
            those that have not been filled yet are called low; moved up again in spring, before it gets warm.
            Never above what tyre, rim and valve may have cold.
          </p>
        </div>
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
        <LimitPreviewSheet v-if="preview" class="mt-3" :preview="preview" />
        <button v-if="isManager && level !== 'FLEET'" type="button" class="link mt-4 block" @click="inherit">
          Let these inherit everything again
        </button>
        <ChangesMade class="mt-6" @undo="takeBack" />
      </section>
    </div>
  </div>
</template>
