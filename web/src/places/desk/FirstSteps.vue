<script setup lang="ts">
import { computed } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import type { VehicleGlance } from '@/api/fleet';
import { useJobs } from '@/api/jobs';
import { useLimits } from '@/api/limits';
import { useSession } from '@/api/session';
import { useKitPlans } from '@/api/stores';
import { useTokens } from '@/api/team';
import { firstSteps } from './firstSteps';

/** From an empty product to the first vehicle in service: what is done, what comes next. */
const props = defineProps<{ vehicles: VehicleGlance[] }>();
const { account, isManager } = useSession();
const router = useRouter();
const { data: jobs, isFetched: hasJobs } = useJobs();
const { data: plans, isFetched: hasPlans } = useKitPlans();
const { data: limits, isFetched: hasLimits } = useLimits();
const { data: tokens, isFetched: hasTokens } = useTokens(isManager);
/** Steps that grow as one thing after the other becomes known go away under a finger. */
const isKnown = computed(
  () => hasJobs.value && hasPlans.value && hasLimits.value && (hasTokens.value || !isManager.value),
);

const steps = computed(() =>
  firstSteps({
    vehicles: props.vehicles,
    policy: limits.value?.policy,
    plans: plans.value?.length ?? 0,
    jobs: jobs.value ?? [],
    receivers: tokens.value?.items.filter((token) => token.scope === 'RECEIVER').length ?? 0,
  }).map((step) => {
    const { roles } = router.resolve(step.to).meta;
    return { ...step, isMine: !roles || !account.value || roles.includes(account.value.role) };
  }),
);
const MARKS = { done: '✓', next: '→', later: '·' };
const WORDS = { done: 'done', next: 'next', later: 'later' };
</script>

<template>
  <section class="w-full max-w-3xl" aria-labelledby="first-steps">
    <h2 id="first-steps" class="text-xl">The way to your first vehicle</h2>
    <p v-if="!isKnown" class="mt-3 text-quiet">Looking how far you are …</p>
    <ol v-else class="mt-3 border-t border-rule">
      <li
        v-for="(step, index) in steps"
        :key="step.title"
        class="grid grid-cols-[1.5rem_minmax(0,1fr)] gap-x-3 border-b border-rule py-2.5 sm:grid-cols-[1.5rem_minmax(0,1fr)_auto]"
        :aria-current="step.state === 'next' ? 'step' : undefined"
      >
        <span class="figure" :class="step.state === 'next' ? 'font-semibold' : 'text-quiet'">
          <span aria-hidden="true">{{ MARKS[step.state] }}</span><span class="spoken"
            >{{ index + 1 }}, {{ WORDS[step.state] }}</span
          >
        </span>
        <div>
          <h3 class="text-base" :class="{ 'font-semibold': step.state === 'next' }">{{ step.title }}</h3>
          <p class="text-quiet">{{ step.words }}</p>
        </div>
        <p class="col-start-2 self-center sm:col-start-3">
          <RouterLink
            v-if="step.isMine"
            :to="step.to"
            :class="step.state === 'next' ? 'button button-main' : 'link'"
            >{{ step.act }}</RouterLink
          >
          <span v-else class="text-quiet">a manager does this</span>
        </p>
      </li>
    </ol>
    <p v-if="isManager && !vehicles.length" class="mt-3 text-quiet">
      Is the fleet in a file already?
      <RouterLink :to="{ name: 'fleet' }">Bring it in</RouterLink>; its vehicles are in service at once.
    </p>
  </section>
</template>
