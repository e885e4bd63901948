import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, toValue, type MaybeRefOrGetter } from 'vue';
import { answer, http, type Schemas } from './client';

export type JobItem = Schemas['JobItem'];
export type JobWheel = Schemas['JobWheel'];
export type JobLine = Schemas['JobLine'];
export type JobRequest = Schemas['JobRequest'];
export type JobRecord = Schemas['JobRecord'];
export type EntryKind = NonNullable<Schemas['EntryRequest']['kind']>;
export type EntryData = Schemas['EntryData'];
export type EntryRequest = Schemas['EntryRequest'];
export type EntryOutcome = Schemas['EntryOutcome'];
export type CodeDoubt = Schemas['CodeDoubt'];
export type HeardSensor = Schemas['HeardSensor'];

const OFTEN_MILLIS = 3_000;

export function useJobs() {
  return useQuery({
    queryKey: ['jobs'],
    queryFn: async () => (await answer(http.GET('/api/v1/jobs'))).items,
    refetchInterval: 30_000,
  });
}

/** A job as it stands; asked often, because somebody stands beside the vehicle and waits. */
export function useJob(id: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: ['job', computed(() => toValue(id))],
    queryFn: () => answer(http.GET('/api/v1/jobs/{id}', { params: { path: { id: toValue(id) } } })),
    refetchInterval: (own) => (own.state.data?.state === 'OPEN' ? OFTEN_MILLIS : false),
    networkMode: 'always',
    retry: false,
  });
}

export function useJobRecord(id: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: ['job record', computed(() => toValue(id))],
    queryFn: () => answer(http.GET('/api/v1/jobs/{id}/record', { params: { path: { id: toValue(id) } } })),
  });
}

/** Sensors heard lately that nobody has claimed, the strongest first. */
export function useHeard(id: MaybeRefOrGetter<string>, isWanted: MaybeRefOrGetter<boolean>) {
  return useQuery({
    queryKey: ['heard', computed(() => toValue(id))],
    queryFn: async () =>
      (await answer(http.GET('/api/v1/jobs/{id}/heard', { params: { path: { id: toValue(id) } } }))).items,
    enabled: computed(() => toValue(isWanted)),
    refetchInterval: OFTEN_MILLIS,
    retry: false,
  });
}

/** What speaks against taking a sensor for a wheel. */
export async function lookAtCode(id: string, position: string, code: string): Promise<CodeDoubt[]> {
  const looked = await answer(
    http.POST('/api/v1/jobs/{id}/code-looks', { params: { path: { id } }, body: { position, code } }),
  );
  return looked.doubts;
}

export function sendEntries(id: string, entries: EntryRequest[]) {
  return answer(http.POST('/api/v1/jobs/{id}/entries', { params: { path: { id } }, body: { entries } }));
}

export function useJobActions() {
  const client = useQueryClient();
  return {
    async open(how: Schemas['JobRequest']): Promise<JobItem> {
      const job = await answer(http.POST('/api/v1/jobs', { body: how }));
      client.setQueryData(['job', job.id], job);
      await client.invalidateQueries({ queryKey: ['jobs'] });
      await client.invalidateQueries({ queryKey: ['vehicles'] });
      return job;
    },
    async end(id: string, how: Schemas['JobEndRequest']): Promise<void> {
      const job = await answer(http.POST('/api/v1/jobs/{id}/end', { params: { path: { id } }, body: how }));
      client.setQueryData(['job', id], job);
      await client.invalidateQueries();
    },
    /** The demo's stand-in for the handheld reader and the air line. */
    async useHandheld(action: 'TOUCH' | 'LET_IN' | 'LET_OUT', vehicle: string, position: string) {
      return answer(http.POST('/api/v1/demo/handheld', { body: { action, vehicle, position } }));
    },
  };
}
