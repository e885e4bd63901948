import { useQueryClient } from '@tanstack/vue-query';
import { useOnline } from '@vueuse/core';
import { computed, onMounted, ref, watch, type Ref } from 'vue';
import type { EntryData, EntryKind, JobItem, JobWheel } from '@/api/jobs';
import { newKey } from '@/shared/newKey';
import { drop, flush, keep, loadOutbox, mean, useOutbox, whenTaken } from '@/api/outbox';

const AGAIN_MILLIS = 5_000;

function lastSeen(wheel: JobWheel | undefined, kind: EntryKind): number {
  switch (kind) {
    case 'INSPECTED':
      return wheel?.inspection?.by.number ?? 0;
    case 'MOUNTED':
      return wheel?.mounted?.number ?? 0;
    case 'PAIRED':
      return wheel?.paired?.number ?? 0;
    case 'LEFT_OUT':
      return wheel?.leftOut?.by.number ?? 0;
    case 'GAUGED':
      return wheel?.gauge?.by.number ?? 0;
    default:
      // These build on each other and do not cover each other up.
      return Number.MAX_SAFE_INTEGER;
  }
}

/** Enters what was done for a job: kept on the device first, sent when that is possible. */
export function useEntering(job: Ref<JobItem | undefined>) {
  const client = useQueryClient();
  const isOnline = useOnline();
  const { waiting } = useOutbox();
  const trouble = ref('');
  /** What was sent last did not arrive. */
  const isCutOff = ref(false);
  const own = computed(() => waiting.value.filter((one) => one.job === job.value?.id));

  whenTaken(async (now) => {
    // An answer that was asked for before would show the job without what was just stored.
    await client.cancelQueries({ queryKey: ['job', now.id] });
    client.setQueryData(['job', now.id], now);
  });

  async function send(): Promise<void> {
    try {
      await flush();
      trouble.value = '';
    } catch (e) {
      trouble.value = e instanceof Error ? e.message : String(e);
    }
    isCutOff.value = own.value.some((one) => !one.outcome);
  }

  async function enter(
    kind: EntryKind,
    position: string | null,
    data: EntryData,
    isMeant = false,
  ): Promise<void> {
    if (!job.value) return;
    const wheel = job.value.wheels.find((one) => one.position === position);
    const seen = lastSeen(wheel, kind);
    // What is entered in its place settles what was refused.
    for (const earlier of own.value) {
      const isSame = earlier.entry.kind === kind && earlier.entry.position === position;
      if (isSame && earlier.outcome?.outcome === 'REFUSED') await drop(earlier.entry.key);
    }
    await keep(job.value.id, {
      key: newKey(),
      kind,
      position,
      at: new Date().toISOString(),
      basedOn: Math.min(seen, 1_000_000),
      isMeant,
      data,
    });
    const sent = send();
    // Only the server can say whether a wheel passes; everything else is foreseen, so nobody waits for a signal.
    if (kind === 'INSPECTED') await sent;
  }

  onMounted(async () => {
    await loadOutbox();
    await send();
  });
  watch(isOnline, (online) => {
    if (online) void send();
  });
  const timer = setInterval(() => {
    if (own.value.some((one) => !one.outcome)) void send();
  }, AGAIN_MILLIS);

  return {
    enter,
    trouble,
    isOnline,
    isCutOff,
    stop: () => clearInterval(timer),
    /** Waits for a signal. */
    unsent: computed(() => own.value.filter((one) => !one.outcome)),
    /** Waits for somebody to decide. */
    unsettled: computed(() => own.value.filter((one) => one.outcome)),
    async insist(key: string): Promise<void> {
      await mean(key);
      await send();
    },
    drop,
  };
}
