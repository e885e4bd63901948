import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, toValue, type MaybeRefOrGetter } from 'vue';
import { answer, http, type Schemas } from './client';

export type TyreItem = Schemas['TyreItem'];
export type TyreRequest = Schemas['TyreRequest'];
export type TreadRequest = Schemas['TreadRequest'];
export type MoveRequest = Schemas['MoveRequest'];
export type MovePreview = Schemas['MovePreview'];
export type MoveItem = Schemas['MoveItem'];
export type SensorFate = Schemas['StepPreview']['fate'];
export type RemovalReason = NonNullable<Schemas['StepItem']['reason']>;
export type PlaceKind = NonNullable<Schemas['PlaceRequest']['kind']>;

/** Which other tyres of a vehicle, of which nothing is written down, are like one. */
export type Alike = 'ONE' | 'AXLE' | 'SIZE';

/** Every tyre of which something is written down. */
export function useTyres() {
  return useQuery({ queryKey: ['tyres'], queryFn: () => answer(http.GET('/api/v1/tyres')) });
}

/** A tyre with its life. */
export function useTyre(id: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: computed(() => ['tyres', toValue(id)]),
    queryFn: () => answer(http.GET('/api/v1/tyres/{id}', { params: { path: { id: toValue(id) } } })),
  });
}

/** The tyres of a vehicle, wheel by wheel. */
export function useVehicleTyres(vehicle: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: computed(() => ['tyres', 'of', toValue(vehicle)]),
    queryFn: async () =>
      (
        await answer(
          http.GET('/api/v1/vehicles/{ref}/tyres', { params: { path: { ref: toValue(vehicle) } } }),
        )
      ).items,
    enabled: computed(() => Boolean(toValue(vehicle))),
  });
}

/** The usual ways of changing the wheels of a vehicle round. */
export function useMovePatterns(vehicle: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: computed(() => ['vehicle', toValue(vehicle), 'patterns']),
    queryFn: async () =>
      (
        await answer(
          http.GET('/api/v1/vehicles/{ref}/move-patterns', { params: { path: { ref: toValue(vehicle) } } }),
        )
      ).items,
    enabled: computed(() => Boolean(toValue(vehicle))),
  });
}

/** Moves that were made with wheels of a vehicle, the newest first. */
export function useMoves(vehicle: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: computed(() => ['wheel moves', toValue(vehicle)]),
    queryFn: async () =>
      (
        await answer(
          http.GET('/api/v1/wheel-moves', { params: { query: { vehicle: toValue(vehicle), limit: '20' } } }),
        )
      ).items,
    enabled: computed(() => Boolean(toValue(vehicle))),
  });
}

/** What a move would come to; the last answer stays while the next is fetched. */
export function useMovePreview(request: MaybeRefOrGetter<MoveRequest>) {
  return useQuery({
    queryKey: computed(() => ['wheel moves', 'preview', toValue(request)]),
    queryFn: () => answer(http.POST('/api/v1/wheel-moves/preview', { body: toValue(request) })),
    enabled: computed(() => Boolean(toValue(request).steps?.length)),
    placeholderData: keepPreviousData,
    retry: false,
    gcTime: 0,
  });
}

/** What is done with tyres. */
export function useTyreActions() {
  const client = useQueryClient();
  /** Where tyres and sensors sit is told on many pages. */
  const changed = () =>
    Promise.all(
      [['tyres'], ['wheel moves'], ['vehicle'], ['vehicles'], ['alerts'], ['driver page']].map((queryKey) =>
        client.invalidateQueries({ queryKey }),
      ),
    );
  async function done<T>(call: Promise<T>): Promise<T> {
    const result = await call;
    await changed();
    return result;
  }
  return {
    move: (body: MoveRequest) => done(answer(http.POST('/api/v1/wheel-moves', { body }))),
    undo: (id: string) => done(answer(http.DELETE('/api/v1/wheel-moves/{id}', { params: { path: { id } } }))),
    correct: (id: string, at: string) =>
      done(answer(http.PUT('/api/v1/wheel-moves/{id}/time', { params: { path: { id } }, body: { at } }))),
    add: (tyre: TyreRequest, place: string | null) =>
      done(answer(http.POST('/api/v1/tyres', { body: { tyre, place } }))),
    describe: (id: string, body: TyreRequest) =>
      done(answer(http.PUT('/api/v1/tyres/{id}', { params: { path: { id } }, body }))),
    describeAt: (ref: string, position: string, body: TyreRequest, alike: Alike) =>
      done(
        answer(
          http.PUT('/api/v1/vehicles/{ref}/wheels/{position}/tyre', {
            params: { path: { ref, position }, query: { alike } },
            body,
          }),
        ),
      ),
    readTread: (id: string, body: TreadRequest) =>
      done(answer(http.POST('/api/v1/tyres/{id}/treads', { params: { path: { id } }, body }))),
    repaired: (id: string, body: Schemas['RepairRequest']) =>
      done(answer(http.POST('/api/v1/tyres/{id}/repairs', { params: { path: { id } }, body }))),
    /** @param troubles the ids of those that it is sound of; null for all of them */
    inspected: (id: string, inspectedBy: string, words: string, troubles: string[] | null) =>
      done(
        answer(
          http.POST('/api/v1/tyres/{id}/inspections', {
            params: { path: { id } },
            body: { inspectedBy, words, troubles },
          }),
        ),
      ),
    tightened: (ref: string, positions: string[], torqueNm: number | null) =>
      done(
        answer(
          http.POST('/api/v1/vehicles/{ref}/retorques', {
            params: { path: { ref } },
            body: { positions, torqueNm },
          }),
        ),
      ),
  };
}

/** Wheel nuts of a vehicle that are to be tightened again. */
export function useRetorques(vehicle: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: computed(() => ['vehicle', toValue(vehicle), 'retorques']),
    queryFn: async () =>
      (
        await answer(
          http.GET('/api/v1/vehicles/{ref}/retorques', { params: { path: { ref: toValue(vehicle) } } }),
        )
      ).items,
  });
}
