<script setup lang="ts">
import { RouterLink } from 'vue-router';
import { useSession } from '@/api/session';
import { PLAN_STATES, useKitPlans } from '@/api/stores';
import { useClock } from '@/shared/time';
import KitPlanner from './KitPlanner.vue';
import { usePeople } from '@/api/people';

/** What equipping vehicles takes, and the plans that were kept. */
const { nameOf } = usePeople();
const { data: plans } = useKitPlans();
const { mayHandleAlerts } = useSession();
const { at } = useClock();
</script>

<template>
  <div class="max-w-5xl">
    <KitPlanner v-if="mayHandleAlerts" />
    <section v-if="plans?.length" class="mt-6" aria-labelledby="plans">
      <h2 id="plans" class="text-base">Plans that were kept</h2>
      <ul class="mt-1 border-t border-rule">
        <li v-for="plan in plans" :key="plan.id" class="border-b border-rule">
          <RouterLink
            :to="{ name: 'kit-plan', params: { id: plan.id } }"
            class="flex min-h-11 flex-wrap items-center gap-x-5 py-1.5 text-ink no-underline"
          >
            <span class="text-action underline underline-offset-2">Plan {{ plan.id }}</span>
            <span>{{ plan.sensors }} sensors</span>
            <span class="figure min-w-0 truncate">{{ plan.vehicles.join(', ') }}</span>
            <span>{{ PLAN_STATES[plan.state] }}</span>
            <span class="text-quiet">{{ at(new Date(plan.madeAt)) }}, {{ nameOf(plan.madeBy) }}</span>
          </RouterLink>
        </li>
      </ul>
    </section>
  </div>
</template>
