<script setup lang="ts">
import { RouterLink } from 'vue-router';
import { useSession } from '@/api/session';
import { PLAN_STATES, useKitPlans } from '@/api/stores';
import { useClock } from '@/shared/time';
import KitPlanner from './KitPlanner.vue';
import SensorMakes from './SensorMakes.vue';
import StockTable from './StockTable.vue';

/** What there is, and what equipping vehicles takes. */
const { data: plans } = useKitPlans();
const { mayHandleAlerts } = useSession();
const { at } = useClock();
</script>

<template>
  <div class="w-full max-w-5xl px-5 py-4">
    <h1 class="text-xl">Stores</h1>
    <KitPlanner v-if="mayHandleAlerts" class="mt-3" />
    <section v-if="plans?.length" class="mt-6" aria-labelledby="plans">
      <h2 id="plans" class="text-base">Plans</h2>
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
            <span class="text-quiet">{{ at(new Date(plan.madeAt)) }}, {{ plan.madeBy }}</span>
          </RouterLink>
        </li>
      </ul>
    </section>
    <StockTable class="mt-6 border-t border-rule pt-4" />
    <SensorMakes class="mt-6 border-t border-rule pt-4" />
  </div>
</template>
