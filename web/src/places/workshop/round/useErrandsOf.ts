import { useOnline, useIntervalFn } from '@vueuse/core';
import { computed, onMounted, toValue, watch, type MaybeRefOrGetter } from 'vue';
import { dropErrand, flushErrands, keepErrand, loadErrands, useErrands, type Errand } from '@/api/errands';
import { useRoundActions, type PressureRound } from '@/api/rounds';

const AGAIN_MILLIS = 5_000;

/** A round's sheet as it will be once what waits on this device was sent. */
export function withErrands(round: PressureRound, errands: readonly Errand[]): PressureRound {
  const reasons = new Map(
    errands
      .filter((one) => one.reason !== undefined && !one.trouble)
      .map((one) => [`${one.vehicle} ${one.position}`, one.reason ?? '']),
  );
  if (!reasons.size) return round;
  const vehicles = round.sheet.vehicles.map((vehicle) => ({
    ...vehicle,
    wheels: vehicle.wheels.map((wheel) => {
      const reason = reasons.get(`${vehicle.ref} ${wheel.position}`);
      return reason === undefined ? wheel : { ...wheel, reason, reasonBy: 'you, waiting', isSettled: true };
    }),
  }));
  const unsettled = vehicles.flatMap((vehicle) => vehicle.wheels).filter((wheel) => !wheel.isSettled).length;
  return { ...round, unsettled, sheet: { ...round.sheet, vehicles } };
}

/** What is done in a round: kept on the device first, sent when that is possible. */
export function useErrandsOf(id: MaybeRefOrGetter<string>) {
  const errands = useErrands();
  const isOnline = useOnline();
  const { again } = useRoundActions();
  const own = computed(() => errands.value.filter((one) => one.round === toValue(id)));
  const waiting = computed(() => own.value.filter((one) => !one.trouble));

  async function send(): Promise<void> {
    if (await flushErrands()) await again(toValue(id));
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
    refused: computed(() => own.value.filter((one) => one.trouble)),
    isOnline,
    keep,
    drop: dropErrand,
  };
}
