import { useOnline, useIntervalFn } from '@vueuse/core';
import { computed, onMounted, shallowRef, toValue, watch, type MaybeRefOrGetter } from 'vue';
import { dropErrand, flushErrands, keepErrand, loadErrands, useErrands, type Errand } from '@/api/errands';
import { useRoundActions, type PressureRound, type RoundWheel } from '@/api/rounds';

const AGAIN_MILLIS = 5_000;

/** A round's sheet as it will be once what waits on this device was sent. */
export function withErrands(round: PressureRound, errands: readonly Errand[]): PressureRound {
  const due = errands.filter((one) => !one.trouble);
  if (!due.length) return round;
  const vehicles = round.sheet.vehicles.map((vehicle) => ({
    ...vehicle,
    wheels: vehicle.wheels.map((wheel) =>
      due
        .filter((one) => one.vehicle === vehicle.ref && one.position === wheel.position)
        .reduce(foreseen, wheel),
    ),
  }));
  const unsettled = vehicles.flatMap((vehicle) => vehicle.wheels).filter((wheel) => !wheel.isSettled).length;
  return { ...round, unsettled, sheet: { ...round.sheet, vehicles } };
}

function foreseen(wheel: RoundWheel, { reason, set }: Errand): RoundWheel {
  return {
    ...wheel,
    ...(set && {
      set: {
        beforeKpa: set.beforeKpa ?? null,
        afterKpa: set.afterKpa ?? null,
        at: set.at ?? new Date().toISOString(),
      },
    }),
    ...(reason !== undefined && { reason, reasonBy: 'you', isSettled: true }),
  };
}

/** What is done in a round: kept on the device first, sent when that is possible. */
export function useErrandsOf(id: MaybeRefOrGetter<string>) {
  const errands = useErrands();
  const isOnline = useOnline();
  const { again } = useRoundActions();
  const own = computed(() => errands.value.filter((one) => one.round === toValue(id)));
  const waiting = computed(() => own.value.filter((one) => !one.trouble));
  /** Stored, and not in the sheet that was fetched before. */
  const sent = shallowRef<readonly Errand[]>([]);

  async function send(): Promise<void> {
    const due = waiting.value;
    sent.value = due;
    try {
      if (await flushErrands()) await again(toValue(id));
    } finally {
      if (sent.value === due) sent.value = [];
    }
  }
  async function keep(errand: Omit<Errand, 'key' | 'round'>): Promise<void> {
    await keepErrand({ ...errand, round: toValue(id) });
    await send();
  }
  onMounted(async () => {
    await loadErrands();
    await send();
  });
  watch(isOnline, (online) => online && void send());
  useIntervalFn(() => waiting.value.length && void send(), AGAIN_MILLIS);

  return {
    waiting,
    /** What the sheet does not know yet. */
    ahead: computed(() => [
      ...waiting.value,
      ...sent.value.filter((one) => !own.value.some((kept) => kept.key === one.key)),
    ]),
    refused: computed(() => own.value.filter((one) => one.trouble)),
    isOnline,
    keep,
    drop: dropErrand,
  };
}
