<script setup lang="ts">
import { RouterLink } from 'vue-router';
import { useSession } from '@/api/session';
import BackupList from './BackupList.vue';
import DepotList from './DepotList.vue';
import FleetExchange from './FleetExchange.vue';
import OwnAccess from './OwnAccess.vue';
import ReadingPreferences from './ReadingPreferences.vue';
import TeamList from './TeamList.vue';
import TokenList from './TokenList.vue';

/** How the product is set, and what goes in and out of it. */
const { isDriver, isManager } = useSession();
</script>

<template>
  <div class="w-full max-w-5xl px-6 py-5">
    <h1 class="text-2xl">Office</h1>
    <template v-if="!isDriver">
      <p class="mt-2">
        <RouterLink :to="{ name: 'limits' }"
          >Limits on the ruler, for the fleet, a kind, or chosen axles</RouterLink
        >
      </p>
      <p class="mt-1">
        <RouterLink :to="{ name: 'load-tables' }">Load tables, for targets from weighed axles</RouterLink>
      </p>
      <p v-if="isManager" class="mt-1">
        <RouterLink :to="{ name: 'logbook' }">Logbook: what was done, by whom, when and why</RouterLink>
      </p>
    </template>
    <ReadingPreferences class="mt-5" />
    <OwnAccess class="mt-6 border-t border-rule pt-5" />
    <FleetExchange v-if="!isDriver" class="mt-6 border-t border-rule pt-5" />
    <template v-if="isManager">
      <DepotList class="mt-6 border-t border-rule pt-5" />
      <TokenList class="mt-6 border-t border-rule pt-5" />
      <TeamList class="mt-6 border-t border-rule pt-5" />
      <BackupList class="mt-6 border-t border-rule pt-5" />
    </template>
  </div>
</template>
