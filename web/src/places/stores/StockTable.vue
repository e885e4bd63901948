<script setup lang="ts">
import { computed, reactive } from 'vue';
import { useSession } from '@/api/session';
import { useStock, useStoreActions, type StockItem } from '@/api/stores';
import NumberField from '@/shared/NumberField.vue';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import { useAttempt } from '@/shared/useAttempt';
import { vStacked } from '@/shared/stacked';

/** How many of what lie in the store; a count is typed where it stands. */
const { data: stock, error } = useStock();
const { count } = useStoreActions();
const { mayHandleAlerts } = useSession();
const { trouble, attempt } = useAttempt();

const groups = computed(() => [
  { words: 'Parts', items: stock.value?.filter((one) => !one.isTool) ?? [] },
  { words: 'Tools, one for each team', items: stock.value?.filter((one) => one.isTool) ?? [] },
]);

/** What was counted and not yet stored, by item. */
const counted = reactive(new Map<string, number>());

function store(one: StockItem): void {
  const now = counted.get(one.item);
  counted.delete(one.item);
  if (now !== undefined && now !== one.onHand) void attempt(() => count(one.item, now));
}
</script>

<template>
  <section aria-label="In the store">
    <p v-if="error" role="alert" class="text-next">{{ error.message }}</p>
    <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
    <div class="grid gap-x-10 lg:grid-cols-2">
      <SidewaysScroll v-for="group in groups" :key="group.words" :label="group.words">
        <table v-stacked class="mt-1 w-full [&_td]:pr-4 [&_th]:pr-4">
          <thead class="text-quiet">
            <tr class="border-b border-rule">
              <th scope="col" class="py-1 font-normal">{{ group.words }}</th>
              <th scope="col" class="text-right font-normal">Counted</th>
              <th scope="col" class="text-right font-normal">Aside</th>
              <th scope="col" class="text-right font-normal">Free</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in group.items" :key="one.item" class="border-b border-rule">
              <th scope="row" class="py-1 font-medium">{{ one.words }}</th>
              <td class="text-right">
                <NumberField
                  v-if="mayHandleAlerts"
                  class="ml-auto w-24 [&_input]:py-0.5 [&_input]:text-right"
                  :model-value="counted.get(one.item) ?? one.onHand"
                  :label="`How many of ${one.words} there are`"
                  is-label-spoken
                  is-whole
                  @update:model-value="(now) => typeof now === 'number' && counted.set(one.item, now)"
                  @left="store(one)"
                />
                <span v-else class="figure">{{ one.onHand }}</span>
              </td>
              <td class="figure text-right">{{ one.reserved || '' }}</td>
              <td class="figure text-right" :class="{ 'font-semibold text-next': one.reserved > one.onHand }">
                {{ one.free }}
              </td>
            </tr>
          </tbody>
        </table>
      </SidewaysScroll>
    </div>
  </section>
</template>
