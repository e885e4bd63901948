<script setup lang="ts">
import { computed } from 'vue';
import { RouterLink } from 'vue-router';
import { useJobRecord } from '@/api/jobs';
import AxleStrip from '@/shared/AxleStrip.vue';
import { mountWords, placeWords, stateWords } from '@/shared/position';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import { dated } from '@/shared/time';
import { useUnits } from '@/shared/units';
import { KINDS, stripOf } from './job';
import { usePeople } from '@/api/people';

/** Who did what, when, what was measured, and what was answered for: to be printed and kept. */
const props = defineProps<{ id: string }>();

const { nameOf } = usePeople();
const { data, error } = useJobRecord(() => props.id);
const units = useUnits();
const job = computed(() => data.value?.job);
const print = () => window.print();

type Entry = NonNullable<typeof data.value>['entries'][number];

function measured({ data: said }: Entry): string {
  const parts: string[] = [];
  if (said.treadMm?.length) parts.push(`tread ${said.treadMm.map((mm) => mm.toFixed(1)).join(', ')} mm`);
  if (said.dateCode) parts.push(`date code ${said.dateCode}`);
  if (said.stem && said.stem !== 'SOUND') parts.push(`stem ${said.stem.toLowerCase()}`);
  if (said.isValveReachable === false) parts.push('valve out of reach');
  if (said.isRetread) parts.push('retread');
  if (said.tyre) parts.push(said.tyre);
  if (said.damage) parts.push(`damage: ${said.damage}`);
  if (said.mount) parts.push(mountWords(said.mount));
  if (typeof said.ambientC === 'number') parts.push(units.temperatureWords(said.ambientC));
  if (said.code) parts.push(said.code);
  if (said.other) parts.push(`with ${placeWords(said.other)}`);
  if (typeof said.gaugeKpa === 'number') parts.push(units.pressureWords(said.gaugeKpa));
  if (said.gaugeName) parts.push(said.gaugeName);
  if (said.calibratedOn) parts.push(`calibrated ${said.calibratedOn}`);
  if (said.reason) parts.push(said.reason);
  return parts.join(', ');
}
</script>

<template>
  <p v-if="error && !data" role="alert" class="p-6 text-next">{{ error.message }}</p>
  <p v-else-if="!data || !job" class="p-6 text-quiet">Fetching the record …</p>
  <div v-else class="max-w-5xl px-6 py-4">
    <p class="print:hidden"><RouterLink class="way" to="/workshop">Workshop</RouterLink></p>
    <div class="mt-1 flex flex-wrap items-baseline gap-x-4">
      <h1 class="text-xl">
        Fit-out of <span class="figure">{{ job.vehicle }}</span>
      </h1>
      <span class="text-quiet">{{ stateWords(job.vehicleState) }}</span>
      <button type="button" class="button ml-auto print:hidden" @click="print">Print</button>
    </div>
    <p>
      Opened {{ dated(job.openedAt) }} by {{ nameOf(job.openedBy)
      }}<template v-if="job.closedAt"
        >, {{ job.state === 'DONE' ? 'done' : 'dropped' }} {{ dated(job.closedAt) }} by
        {{ nameOf(job.closedBy) }}</template
      >. Sensors held {{ job.mount ? mountWords(job.mount) : 'as the maker says' }}.
      <template v-if="job.gauge"
        >Hand gauge {{ job.gauge.name
        }}{{
          job.gauge.calibratedOn ? `, calibrated ${job.gauge.calibratedOn}` : ', calibration not noted'
        }}.</template
      >
    </p>
    <SidewaysScroll label="The vehicle’s wheels" class="mt-3">
      <AxleStrip :vehicle="stripOf(job)" size="page" />
    </SidewaysScroll>
    <SidewaysScroll label="Wheel by wheel" class="mt-4">
      <table class="w-full [&_td]:py-1 [&_td]:pr-4 [&_th]:pr-4">
        <thead class="text-quiet">
          <tr class="border-b border-rule">
            <th scope="col" class="font-normal">Wheel</th>
            <th scope="col" class="font-normal">Sensor</th>
            <th scope="col" class="font-normal">Inspection</th>
            <th scope="col" class="font-normal">Proof</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="wheel in job.wheels" :key="wheel.position" class="border-b border-rule align-top">
            <th scope="row" class="font-medium">
              <span class="figure">{{ wheel.position }}</span>
            </th>
            <td class="figure">{{ wheel.code ?? 'none' }}</td>
            <td>
              <template v-if="wheel.inspection">
                {{ wheel.inspection.failures.join(' ') || 'passed' }}
                {{
                  wheel.inspection.passedAnyway
                    ? `Passed all the same: ${wheel.inspection.passedAnyway.reason}`
                    : ''
                }}
                {{ wheel.inspection.unlikeMate.join(' ') }}
              </template>
              <template v-else>not looked at</template>
            </td>
            <td>
              <template v-if="wheel.leftOut">left out: {{ wheel.leftOut.reason }}</template>
              <template v-else-if="wheel.takenAsProven"
                >answered for by {{ nameOf(wheel.takenAsProven.by.who) }}:
                {{ wheel.takenAsProven.reason }}</template
              >
              <template v-else-if="wheel.proved">by air, {{ nameOf(wheel.proved.who) }}</template>
              <template v-else>{{ wheel.missing.join(', ') }}</template>
            </td>
          </tr>
        </tbody>
      </table>
    </SidewaysScroll>
    <h2 class="mt-5 text-base">Everything that was entered</h2>
    <ol class="border-t border-rule">
      <li
        v-for="entry in data.entries"
        :key="entry.number"
        class="flex flex-wrap gap-x-4 border-b border-rule py-1"
      >
        <span class="figure text-quiet">{{ dated(entry.at) }}</span>
        <span class="figure w-10">{{ entry.position ?? '' }}</span>
        <span>{{ KINDS[entry.kind] ?? entry.kind.toLowerCase() }}</span>
        <span class="grow">{{ measured(entry) }}</span>
        <span class="text-quiet">{{ nameOf(entry.who) }}</span>
      </li>
    </ol>
    <p class="mt-16 hidden gap-x-8 print:flex">
      <span class="grow border-t border-ink text-quiet">Handed over by, date</span>
      <span class="grow border-t border-ink text-quiet">Taken over by, date</span>
    </p>
    <p class="mt-4 break-before-avoid text-quiet">
      Work by trained persons, to local codes and the makers’ instructions. This record does not replace an
      inspection.
    </p>
  </div>
</template>
