<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue';
import { computed, ref } from 'vue';
import { RouterLink, useRoute, useRouter } from 'vue-router';
import { useDemo } from './api/demo';
import { useAlerts } from './api/fleet';
import { connection } from './api/live';
import { signOut, useSession } from './api/session';
import JumpBox from './jump/JumpBox.vue';
import KeysDialog from './KeysDialog.vue';
import { useClock } from './shared/time';

const { account, isDriver } = useSession();
const { data: alerts } = useAlerts();
const { at, age } = useClock();
const route = useRoute();
const router = useRouter();
const queries = useQueryClient();

const { demo } = useDemo();
const isJumping = ref(false);
const isShowingKeys = ref(false);

const PLACES = computed(() => [
  { name: 'Desk', path: '/desk' },
  { name: 'Vehicles', path: '/vehicles' },
  ...(isDriver.value
    ? []
    : [
        { name: 'Workshop', path: '/workshop' },
        { name: 'Stores', path: '/stores' },
      ]),
  { name: 'Office', path: '/office' },
  ...(demo.value?.isDemo ? [{ name: 'Demo', path: '/demo' }] : []),
]);
const ROLES = { MANAGER: 'manager', TECHNICIAN: 'technician', DRIVER: 'driver', VIEWER: 'viewer' };

const urgent = computed(() => alerts.value?.filter((alert) => alert.urgency === 'STOP_NOW').length ?? 0);
const lostSince = computed(() => (connection.value.state === 'lost' ? connection.value.since : undefined));

async function leave(): Promise<void> {
  await signOut();
  queries.clear();
  await router.push({ name: 'sign-in' });
}
</script>

<template>
  <header class="border-b border-rule">
    <div class="flex min-h-11 flex-wrap items-center gap-x-6 gap-y-1 px-5">
      <RouterLink to="/desk" class="text-base font-semibold text-ink no-underline max-sm:py-3"
        >Vivid Caravan</RouterLink
      >
      <nav
        aria-label="Places"
        class="flex flex-wrap gap-x-5 text-[15px] whitespace-nowrap max-sm:order-last max-sm:w-full max-sm:justify-between max-sm:gap-x-2"
      >
        <RouterLink
          v-for="place in PLACES"
          :key="place.path"
          :to="place.path"
          class="border-b-2 py-1 text-ink no-underline max-sm:py-3"
          :class="route.path.startsWith(place.path) ? 'border-ink font-semibold' : 'border-transparent'"
          :aria-current="route.path.startsWith(place.path) ? 'page' : undefined"
        >
          {{ place.name }}
          <span v-if="place.path === '/desk' && urgent" class="figure text-stop"
            >{{ urgent }}<span class="spoken"> to stop now</span></span
          >
        </RouterLink>
      </nav>
      <div class="ml-auto flex items-center gap-5">
        <button type="button" class="cursor-pointer py-1 text-quiet max-sm:py-3" @click="isJumping = true">
          Go to <kbd class="key ml-0.5">/</kbd>
        </button>
        <button
          type="button"
          class="cursor-pointer py-1 text-quiet max-sm:hidden"
          @click="isShowingKeys = true"
        >
          Keys <kbd class="key ml-0.5">?</kbd>
        </button>
        <span v-if="connection.state === 'live'" class="text-quiet max-sm:hidden">live</span>
        <Menu v-if="account" as="div" class="relative">
          <MenuButton class="cursor-pointer py-1 max-sm:py-3">
            {{ account.displayName }} <span class="text-quiet max-sm:hidden">{{ ROLES[account.role] }}</span>
          </MenuButton>
          <MenuItems
            class="absolute right-0 z-10 mt-1 min-w-44 rounded border border-ink bg-raised py-1 outline-none"
          >
            <MenuItem v-slot="{ active }">
              <RouterLink
                to="/office/reading"
                class="block px-3 py-1.5 text-ink no-underline"
                :class="{ 'bg-rule': active }"
                >Units and theme</RouterLink
              >
            </MenuItem>
            <MenuItem v-slot="{ active }">
              <button
                type="button"
                class="block w-full cursor-pointer px-3 py-1.5 text-left"
                :class="{ 'bg-rule': active }"
                @click="leave"
              >
                Sign out
              </button>
            </MenuItem>
          </MenuItems>
        </Menu>
      </div>
    </div>
    <p v-if="lostSince" role="status" class="border-t border-next px-5 py-1.5 font-medium text-next">
      The connection is lost. What you see is from {{ at(lostSince) }},
      {{ age(lostSince.toISOString()) }} ago; it comes back by itself.
    </p>
    <p v-if="demo && demo.progress < 1" role="status" class="border-t border-rule px-5 py-1.5 text-quiet">
      The demo’s past is being put in place: {{ Math.round(demo.progress * 100) }}&nbsp;%. What you see is
      still growing.
    </p>
    <JumpBox v-model="isJumping" />
    <KeysDialog v-model="isShowingKeys" />
  </header>
</template>
