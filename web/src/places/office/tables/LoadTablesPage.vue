<script setup lang="ts">
import { ref } from 'vue';
import { useSession } from '@/api/session';
import { useLoadTables, useTargetActions } from '@/api/targets';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import { useUnits } from '@/shared/units';
import { useAttempt } from '@/shared/useAttempt';
import LoadTableForm from './LoadTableForm.vue';
import { usePeople } from '@/api/people';

/** Tyre makers' load tables, from which a weighed axle gets its cold target. */
const { nameOf } = usePeople();
const { data: tables, error } = useLoadTables();
const { removeTable } = useTargetActions();
const { isManager } = useSession();
const { trouble, attempt } = useAttempt();
const units = useUnits();
const toForget = ref<string>();

const kilograms = (kg: number | null | undefined) => (typeof kg === 'number' ? Math.round(kg) : '');
</script>

<template>
  <div class="max-w-5xl">
    <p class="max-w-3xl">
      What one tyre of a size carries at a cold pressure, as its maker says. With the weighed load of an axle
      a target follows from it, where the vehicle is described. The placard goes first.
    </p>
    <p v-if="error" role="alert" class="mt-2 text-next">{{ error.message }}</p>
    <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
    <LoadTableForm v-if="isManager" class="mt-4" />
    <p v-if="tables && !tables.length" class="mt-4 text-quiet">There is no table yet.</p>
    <section v-for="table in tables" :key="table.id" class="mt-6 border-t border-rule pt-3">
      <div class="flex flex-wrap items-baseline gap-x-4">
        <h2 class="figure text-base">{{ table.tyreSize }}</h2>
        <span class="text-quiet"
          >{{ table.source }}<template v-if="table.speedKmh">, up to {{ table.speedKmh }} km/h</template>;
          entered by {{ nameOf(table.enteredBy) }}</span
        >
        <span v-if="isManager" class="ml-auto">
          <button v-if="toForget !== table.id" type="button" class="link" @click="toForget = table.id">
            Forget it
          </button>
          <span v-else class="inline-flex gap-2">
            <button type="button" class="button" @click="attempt(() => removeTable(table.id))">
              Forget the table of {{ table.tyreSize
              }}<template v-if="table.speedKmh"> for {{ table.speedKmh }} km/h</template>
            </button>
            <button type="button" class="link" @click="toForget = undefined">Keep it</button>
          </span>
        </span>
      </div>
      <SidewaysScroll :label="`Loads of ${table.tyreSize}`">
        <table class="mt-1 [&_td]:px-2 [&_td]:py-0.5 [&_th]:px-2">
          <tbody class="text-right">
            <tr class="border-b border-rule">
              <th scope="row" class="text-left font-normal text-quiet">{{ units.pressureSymbol.value }}</th>
              <td v-for="row in table.rows" :key="row.kpa" class="figure font-medium">
                {{ units.pressureNumber(row.kpa) }}
              </td>
            </tr>
            <tr>
              <th scope="row" class="text-left font-normal text-quiet">single, kg</th>
              <td v-for="row in table.rows" :key="row.kpa" class="figure">{{ kilograms(row.singleKg) }}</td>
            </tr>
            <tr v-if="table.rows.some((row) => typeof row.twinKg === 'number')">
              <th scope="row" class="text-left font-normal text-quiet">twin, kg</th>
              <td v-for="row in table.rows" :key="row.kpa" class="figure">{{ kilograms(row.twinKg) }}</td>
            </tr>
          </tbody>
        </table>
      </SidewaysScroll>
    </section>
  </div>
</template>
