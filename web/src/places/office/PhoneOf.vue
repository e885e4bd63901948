<script setup lang="ts">
import { ref } from 'vue';
import { useTeamActions, type TeamMember } from '@/api/team';
import { useAttempt } from '@/shared/useAttempt';

/** Where somebody gets text messages, and the way to change that. */
const props = defineProps<{ member: TeamMember }>();
const { reachBy } = useTeamActions();
const { trouble, isBusy, attempt } = useAttempt();
const isChanging = ref(false);
const phone = ref('');

function begin(): void {
  phone.value = props.member.phone ?? '';
  isChanging.value = true;
}
async function store(): Promise<void> {
  if (await attempt(() => reachBy(props.member.userName, phone.value))) isChanging.value = false;
}
</script>

<template>
  <div>
    <template v-if="!isChanging">
      <span v-if="member.phone" class="figure mr-3">{{ member.phone }}</span>
      <button
        type="button"
        class="link"
        :aria-label="`${member.phone ? 'Change' : 'Add'} the telephone of ${member.displayName}`"
        @click="begin"
      >
        {{ member.phone ? 'Change' : 'Add' }}
      </button>
    </template>
    <form v-else class="flex flex-wrap items-end gap-2" @submit.prevent="store">
      <input
        v-model="phone"
        type="tel"
        class="field w-40"
        maxlength="40"
        autocomplete="off"
        :aria-label="`Telephone of ${member.displayName}`"
      />
      <button type="submit" class="button" :disabled="isBusy">Store</button>
      <button type="button" class="link" @click="isChanging = false">Leave it</button>
    </form>
    <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
  </div>
</template>
