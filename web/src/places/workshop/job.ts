import type { EntryKind, EntryOutcome, JobItem, JobWheel } from '@/api/jobs';
import type { Waiting } from '@/api/outbox';
import type { StripVehicle } from '@/shared/strip';
import { namesIn, wordsOf } from '@/shared/vocabulary';

export const STAGES = ['inspect', 'mount', 'pair', 'prove'] as const;
export type Stage = (typeof STAGES)[number];

const STAGE_WORDS: Record<Stage, string> = {
  inspect: 'Inspect',
  mount: 'Mount',
  pair: 'Pair',
  prove: 'Prove',
};

/** What a wheel is that needs no more in a stage. */
export const STAGE_DONE: Record<Stage, string> = {
  inspect: 'inspected',
  mount: 'mounted',
  pair: 'paired',
  prove: 'proven',
};

export const stageWords = (stage: Stage) => STAGE_WORDS[stage];

export const WALK_CHOICES = namesIn('walks');
export const walkWords = (walk: string) => wordsOf('walks', walk);

/** Whether a wheel needs no more in a stage. */
export function isDone(wheel: JobWheel, stage: Stage): boolean {
  if (wheel.leftOut && stage !== 'inspect') return true;
  switch (stage) {
    case 'inspect':
      return Boolean(
        wheel.inspection && (!wheel.inspection.failures.length || wheel.inspection.passedAnyway),
      );
    case 'mount':
      return Boolean(wheel.mounted);
    case 'pair':
      return Boolean(wheel.code);
    case 'prove':
      return wheel.missing.length === 0;
  }
}

/** The next wheel of the walk that a stage is not done with, after the present one, then from the start. */
export function nextWheel(job: JobItem, stage: Stage, after?: string): string | undefined {
  const at = job.wheels.findIndex((wheel) => wheel.position === after);
  const walk = [...job.wheels.slice(at + 1), ...job.wheels.slice(0, at + 1)];
  return walk.find((wheel) => !isDone(wheel, stage))?.position;
}

/** The stage that comes next for the whole job. */
export function presentStage(job: JobItem): Stage {
  const isBegun = (stage: Stage) => job.wheels.some((wheel) => isDone(wheel, stage) && !wheel.leftOut);
  if (!job.wheels.every((wheel) => wheel.code || wheel.leftOut)) {
    if (!isBegun('pair') && !isBegun('mount') && nextWheel(job, 'inspect')) return 'inspect';
    return nextWheel(job, 'mount') && !isBegun('pair') ? 'mount' : 'pair';
  }
  return 'prove';
}

/** The job's wheels as the strip draws them. */
export function stripOf(job: JobItem): StripVehicle {
  return { ref: job.vehicle, axles: job.axles, wheels: job.wheels.map((wheel) => wheel.state) };
}

/** The same without levels, which marks would be written over. */
export function bareStripOf(job: JobItem): StripVehicle {
  const strip = stripOf(job);
  return { ...strip, wheels: strip.wheels.map((wheel) => ({ ...wheel, deviation: null })) };
}

export function marks(job: JobItem, stage: Stage): Record<string, string> {
  return Object.fromEntries(
    job.wheels.map((wheel) => {
      const isFailed = stage === 'inspect' && wheel.inspection && !isDone(wheel, 'inspect');
      const mark = isFailed
        ? 'no'
        : wheel.leftOut && stage !== 'inspect'
          ? '–'
          : isDone(wheel, stage)
            ? '✓'
            : '';
      return [wheel.position, mark];
    }),
  );
}

/** What was done, in words. */
export const KINDS: Record<string, string> = {
  INSPECTED: 'inspected',
  PASSED_ANYWAY: 'passed all the same',
  MOUNTED: 'sensor mounted',
  PAIRED: 'sensor taken',
  LEFT_OUT: 'left without a sensor',
  GAUGED: 'hand gauge read',
  AIR_SET: 'air let in or out',
  PROVED: 'position proved by air',
  EXCHANGED: 'sensors exchanged',
  TAKEN_AS_PROVEN: 'answered for',
  GAUGE_NAMED: 'hand gauge named',
  NOTED: 'note',
  CLOSED: 'job ended',
};

/** The number of an entry that waits on this device. */
const WAITING = 0;
const YOURS = { number: WAITING, at: '', who: 'you' };

/** A job as it will be once what waits on this device was sent. */
export function withWaiting(job: JobItem, waiting: Waiting[]): JobItem {
  const own = waiting.filter((one) => one.job === job.id && !one.outcome);
  if (!own.length) return job;
  const wheels = job.wheels.map((wheel) =>
    own
      .filter((one) => one.entry.position === wheel.position)
      .reduce((now, { entry }) => foreseen(now, entry.kind as EntryKind, entry.data ?? {}), wheel),
  );
  return { ...job, wheels };
}

function foreseen(wheel: JobWheel, kind: EntryKind, data: NonNullable<Waiting['entry']['data']>): JobWheel {
  switch (kind) {
    case 'PAIRED':
      return { ...wheel, code: data.code ?? '', paired: YOURS, leftOut: null };
    case 'LEFT_OUT':
      return { ...wheel, code: null, paired: null, leftOut: { by: YOURS, reason: data.reason ?? '' } };
    case 'MOUNTED':
      return { ...wheel, mounted: YOURS };
    case 'INSPECTED':
      return {
        ...wheel,
        inspection: {
          by: YOURS,
          treadMm: data.treadMm ?? [],
          dateCode: data.dateCode ?? null,
          stem: data.stem ?? 'SOUND',
          isValveReachable: data.isValveReachable ?? true,
          isRetread: data.isRetread ?? false,
          damage: data.damage ?? null,
          tyre: data.tyre ?? null,
          failures: [],
          unlikeMate: [],
        },
      };
    case 'GAUGED':
      return { ...wheel, gauge: { by: YOURS, gaugeKpa: data.gaugeKpa ?? 0 } };
    default:
      return wheel;
  }
}

/** Whether what is shown of an inspection was stored: only then it is known whether the wheel passes. */
export function isStored(inspection: JobWheel['inspection']): boolean {
  return Boolean(inspection) && inspection?.by.number !== WAITING;
}

/** What the server said of an entry, in a sentence. */
export function outcomeWords(outcome: EntryOutcome): string {
  return outcome.message ?? outcome.doubts[0]?.words ?? 'It was not stored.';
}
