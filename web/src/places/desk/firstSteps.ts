import type { VehicleGlance } from '@/api/fleet';
import type { JobLine } from '@/api/jobs';
import type { LimitPolicy } from '@/api/limits';
import type { RouteLocationRaw } from 'vue-router';

/** What there is of a fleet that is being set up; what is not known yet counts as not there. */
export interface Begun {
  vehicles: VehicleGlance[];
  policy?: LimitPolicy | undefined;
  plans: number;
  jobs: JobLine[];
  /** Tokens by which receivers may send. */
  receivers: number;
}

export interface FirstStep {
  title: string;
  /** What there is of it, or what it takes. */
  words: string;
  state: 'done' | 'next' | 'later';
  act: string;
  to: RouteLocationRaw;
}

const counted = (count: number, one: string, many: string) => `${count} ${count === 1 ? one : many}`;

/** Whether the way leads on: until a first vehicle is in service. */
export const isBeginning = (vehicles: VehicleGlance[]): boolean =>
  vehicles.every((vehicle) => vehicle.state === 'DESCRIBED' || vehicle.state === 'BEING_FITTED');

/** The way to the first vehicle in service, in the order people work; each done or not by what is really there. */
export function firstSteps(begun: Begun): FirstStep[] {
  const { vehicles, policy, jobs } = begun;
  const first = vehicles[0];
  const job = jobs.find((one) => one.state === 'OPEN');
  const toJob: RouteLocationRaw = job ? { name: 'job', params: { id: job.id } } : { name: 'workshop' };
  const isHeard = vehicles.some((vehicle) => vehicle.lastHeardAt);
  const all = [
    {
      title: 'Describe a vehicle',
      isDone: vehicles.length > 0,
      words: first
        ? `${counted(vehicles.length, 'vehicle is', 'vehicles are')} described.`
        : 'Its axles from the front, single or twin, and the cold target of each, as the placard has it.',
      act: first ? 'Describe another' : 'Describe the first vehicle',
      to: { name: 'describe' },
    },
    {
      title: 'Targets and limits',
      isDone: vehicles.length > 0,
      words: policy
        ? `The fleet’s limits are in force: low at ${policy.lowPct} % under target, stop at ${policy.lowCriticalPct} %.` +
          ' An axle may have its own.'
        : 'The fleet’s limits are in force; an axle may have its own.',
      act: 'See them on the ruler',
      to: first ? { name: 'limits', query: { vehicle: first.ref, axle: 1 } } : { name: 'limits' },
    },
    {
      title: 'Plan the kit',
      isDone: begun.plans > 0 || jobs.some((one) => one.paired > 0),
      words: begun.plans
        ? `${counted(begun.plans, 'plan is', 'plans are')} kept.`
        : 'Which sensors, valves and tools the vehicle takes, and what of it is in the store.',
      act: 'Plan it',
      to: { name: 'kit-plans' },
    },
    {
      title: 'Inspect, fit and pair',
      isDone: Boolean(job && job.paired >= job.wheels),
      words: job
        ? `${job.vehicle}: ${job.paired} of ${job.wheels} wheels are paired.`
        : 'Walk round the vehicle with a phone: tread and valve, the sensor, and which one sits where.',
      act: job ? 'Go on' : 'Open the job',
      to: toJob,
    },
    {
      title: 'Prove it',
      isDone: false,
      words:
        job && job.proved > 0
          ? `${job.vehicle}: ${job.proved} of ${job.wheels} wheels are proved or answered for. Then put it into service.`
          : 'A hand gauge at each wheel, and air let in where a wheel must answer. Then it goes into service.',
      act: 'Prove it',
      to: toJob,
    },
    {
      title: 'Let receivers send',
      isDone: isHeard,
      words: isHeard
        ? 'Readings come in.'
        : begun.receivers
          ? `${counted(begun.receivers, 'token is', 'tokens are')} made; nothing was heard yet.`
          : 'Each receiver gets a token. Pairing and proving see what they hear, so the sooner the better.',
      act: begun.receivers ? 'See the tokens' : 'Make a token',
      to: { name: 'receivers' },
    },
  ];
  const next = all.findIndex((step) => !step.isDone);
  return all.map(({ isDone, ...step }, index) => ({
    ...step,
    state: isDone ? 'done' : index === next ? 'next' : 'later',
  }));
}
