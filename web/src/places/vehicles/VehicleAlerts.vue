<script setup lang="ts">
import { RouterLink } from 'vue-router';
import { useAlertsOf } from '@/api/fleet';
import { alertsAddress } from '@/api/history';
import { useSession } from '@/api/session';
import { useClock } from '@/shared/time';
import { alertStateWords, kindWords, urgencyWords } from '@/shared/urgency';
import { wordsOf } from '@/shared/vocabulary';
import { vStacked } from '@/shared/stacked';

/** What was ever open on this vehicle, the latest first. */
const props = defineProps<{ vehicleRef: string }>();

const { data } = useAlertsOf(() => props.vehicleRef);
const { preferences } = useSession();
const { at } = useClock();
</script>

<template>
  <section>
    <div class="mb-1 flex flex-wrap items-baseline gap-x-5">
      <h2 class="text-base">Alerts so far</h2>
      <a
        v-if="data?.length"
        class="way print:hidden"
        :href="alertsAddress(preferences, vehicleRef)"
        download="alerts.csv"
        >As a table (CSV)</a
      >
    </div>
    <p v-if="data && !data.length" class="text-quiet">None yet.</p>
    <table v-stacked v-else-if="data" class="w-full max-w-4xl [&_td]:pr-4 [&_th]:pr-4">
      <thead class="text-quiet">
        <tr class="border-b border-rule">
          <th scope="col" class="py-1 font-normal">Opened</th>
          <th scope="col" class="font-normal">Wheel</th>
          <th scope="col" class="font-normal">What</th>
          <th scope="col" class="font-normal">Most urgent</th>
          <th scope="col" class="font-normal">Now</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="alert in data" :key="alert.id" class="border-b border-rule">
          <td class="figure py-1">{{ at(alert.openedAt) }}</td>
          <td class="figure">{{ alert.position }}</td>
          <td>
            <RouterLink :to="{ name: 'desk', params: { id: alert.id } }">{{
              kindWords(alert.kind)
            }}</RouterLink>
          </td>
          <td>{{ urgencyWords(alert.urgency) }}</td>
          <td>
            {{ alertStateWords(alert.state)
            }}<template v-if="alert.closedAt">
              {{ at(alert.closedAt)
              }}<template v-if="alert.closedOn"
                >, {{ wordsOf('closedOn', alert.closedOn) }}</template
              ></template
            >
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
