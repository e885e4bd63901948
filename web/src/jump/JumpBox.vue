<script setup lang="ts">
import {
  Combobox,
  ComboboxInput,
  ComboboxOption,
  ComboboxOptions,
  Dialog,
  DialogPanel,
  DialogTitle,
} from '@headlessui/vue';
import { useEventListener } from '@vueuse/core';
import { computed, ref, useTemplateRef } from 'vue';
import { useRouter } from 'vue-router';
import { useAlerts, useVehicles } from '@/api/fleet';
import { prefer, useSession } from '@/api/session';
import { OFFICE_PAGES, STORES_PAGES } from '@/places/pages';
import { isCovered, onKey } from '@/shared/keys';
import { useDialogFocus } from '@/shared/useDialogFocus';
import { alertTargets, find, vehicleTargets, type Target } from './targets';

/** Goes to any vehicle, wheel, sensor code, alert or command. */
const isOpen = defineModel<boolean>({ required: true });

const router = useRouter();
const { data: vehicles } = useVehicles(isOpen);
const { data: alerts } = useAlerts();
const { account, preferences } = useSession();
const typed = ref('');

const command = (title: string, detail: string, to: string, alsoCalled = ''): Target => ({
  key: `c ${title}`,
  kind: 'command',
  title,
  detail,
  text: `${title} ${detail} ${alsoCalled}`.toLowerCase(),
  to,
});
const COMMANDS = [
  command('Desk', 'what needs me now, queue, alerts', '/desk'),
  command('Vehicles', 'how every vehicle is, who may leave', '/vehicles'),
  command('Workshop', 'fit-outs, pressure rounds', '/workshop'),
  command(
    'Move wheels',
    'rotations, tyre changes, to and from the store',
    '/workshop/moves',
    'rotate swap change tyre retorque',
  ),
  command(
    'What comes due',
    'nuts, inspections, batteries, treads by day',
    '/workshop/due',
    'due work calendar plan',
  ),
  command(
    'Before the cold',
    'what wheels will read on a cold morning, and what to add',
    '/workshop/cold',
    'season winter frost round temperature',
  ),
  command('Describe a vehicle', 'axles, tyres, targets', '/describe'),
  command('Office', 'settings: how the product is set, and what goes in and out', '/office'),
  ...[...STORES_PAGES, ...OFFICE_PAGES].map((page) =>
    command(page.title, page.answers, page.path, page.alsoCalled),
  ),
  command('Night or paper', 'switch the theme', 'theme', 'dark light'),
];
/** What this person may open. */
const commands = computed(() =>
  COMMANDS.filter(({ to }) => {
    const roles = to.startsWith('/') ? router.resolve(to).meta.roles : undefined;
    return !roles || !account.value || roles.includes(account.value.role);
  }),
);
const targets = computed(() => [
  ...commands.value,
  ...alertTargets(alerts.value ?? []),
  ...vehicleTargets(vehicles.value?.items ?? []),
]);
const found = computed(() => (isOpen.value ? find(targets.value, typed.value) : []));
const KINDS: Record<Target['kind'], string> = {
  command: 'go to',
  alert: 'alert',
  vehicle: 'vehicle',
  wheel: 'wheel',
};

function open(): void {
  typed.value = '';
  isOpen.value = true;
}
onKey('/', open);
/** Also from a field: no letter is typed with Ctrl. */
useEventListener('keydown', (event: KeyboardEvent) => {
  if (event.key !== 'k' || !(event.ctrlKey || event.metaKey) || isCovered()) return;
  event.preventDefault();
  open();
});
const panel = useTemplateRef('panel');
useDialogFocus(isOpen, panel);

async function go(target: Target | null): Promise<void> {
  if (!target) return;
  isOpen.value = false;
  typed.value = '';
  if (target.to === 'theme') {
    const isNight = document.documentElement.dataset.theme === 'night';
    await prefer({ ...preferences.value, theme: isNight ? 'PAPER' : 'NIGHT' });
  } else {
    await router.push(target.to);
  }
}
</script>

<template>
  <Dialog :open="isOpen" class="fixed inset-0 z-20" @close="isOpen = false">
    <div class="fixed inset-0 bg-ink opacity-40" aria-hidden="true"></div>
    <div class="fixed inset-0 flex items-start justify-center p-4 pt-[10vh]">
      <DialogPanel ref="panel" class="w-full max-w-2xl rounded border border-ink bg-raised text-ink">
        <DialogTitle class="spoken">Go to</DialogTitle>
        <Combobox :model-value="null" @update:model-value="go">
          <ComboboxInput
            class="w-full rounded-t border-b border-rule bg-raised px-4 py-3 -outline-offset-2 text-base text-ink"
            placeholder="Vehicle, wheel, sensor code, alert or command"
            aria-label="Vehicle, wheel, sensor code, alert or command"
            autocomplete="off"
            @change="typed = $event.target.value"
          />
          <ComboboxOptions static class="max-h-[55vh] overflow-y-auto py-1" hold>
            <ComboboxOption
              v-for="target in found"
              :key="target.key"
              v-slot="{ active }"
              :value="target"
              as="template"
            >
              <li
                class="grid cursor-pointer grid-cols-[4em_9em_1fr] sm:grid-cols-[4.5em_13em_1fr] gap-2 px-4 py-1.5"
                :class="{ 'bg-rule': active }"
              >
                <span :class="active ? 'text-ink' : 'text-quiet'">{{ KINDS[target.kind] }}</span>
                <span class="truncate font-medium" :class="{ figure: target.kind !== 'command' }">{{
                  target.title
                }}</span>
                <span class="truncate" :class="active ? 'text-ink' : 'text-quiet'">{{ target.detail }}</span>
              </li>
            </ComboboxOption>
            <li v-if="!found.length" role="option" aria-selected="false" class="px-4 py-2 text-quiet">
              Nothing is called that. Try a ref, a plate or the beginning of a sensor code.
            </li>
          </ComboboxOptions>
        </Combobox>
      </DialogPanel>
    </div>
  </Dialog>
</template>
