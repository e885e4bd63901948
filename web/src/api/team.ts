import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, toValue, type MaybeRefOrGetter } from 'vue';
import { answer, http, type Schemas } from './client';

export type Role = Schemas['Account']['role'];
export type TeamMember = Schemas['TeamMember'];

const TEAM = ['team'];
const OUTBOX = ['outbox'];
const TOKENS = ['tokens'];

/** Tokens by which receivers and other programs are let in. */
export function useTokens(isWanted: MaybeRefOrGetter<boolean> = true) {
  return useQuery({
    queryKey: TOKENS,
    queryFn: () => answer(http.GET('/api/v1/tokens')),
    enabled: computed(() => toValue(isWanted)),
  });
}

export function useTeam() {
  return useQuery({ queryKey: TEAM, queryFn: () => answer(http.GET('/api/v1/accounts')) });
}

export function useMail() {
  return useQuery({
    queryKey: OUTBOX,
    queryFn: () => answer(http.GET('/api/v1/outbox')),
    refetchInterval: 10_000,
  });
}

export function useTeamActions() {
  const client = useQueryClient();
  const put = (team: Schemas['Team']) => client.setQueryData(TEAM, team);
  return {
    async add(body: Schemas['NewAccount']): Promise<void> {
      await answer(http.POST('/api/v1/accounts', { body }));
      await client.invalidateQueries({ queryKey: TEAM });
    },
    async remove(userName: string, tokens: 'END' | 'PASS_ON'): Promise<void> {
      put(
        await answer(
          http.DELETE('/api/v1/accounts/{userName}', { params: { path: { userName }, query: { tokens } } }),
        ),
      );
      await client.invalidateQueries({ queryKey: TOKENS });
    },
    async assign(userName: string, vehicles: string[]): Promise<void> {
      put(
        await answer(
          http.PUT('/api/v1/accounts/{userName}/vehicles', {
            params: { path: { userName } },
            body: { vehicles },
          }),
        ),
      );
    },
    async reachBy(userName: string, phone: string): Promise<void> {
      put(
        await answer(
          http.PUT('/api/v1/accounts/{userName}/phone', {
            params: { path: { userName } },
            body: { phone: phone.trim() || null },
          }),
        ),
      );
    },
    async invite(body: Schemas['InvitationRequest']): Promise<void> {
      await answer(http.POST('/api/v1/invitations', { body }));
      await client.invalidateQueries({ queryKey: TEAM });
      await client.invalidateQueries({ queryKey: OUTBOX });
    },
    async withdraw(id: string): Promise<void> {
      put(await answer(http.DELETE('/api/v1/invitations/{id}', { params: { path: { id } } })));
    },
    async sendAgain(id: string): Promise<void> {
      client.setQueryData(
        OUTBOX,
        await answer(http.POST('/api/v1/outbox/{id}/tries', { params: { path: { id } } })),
      );
    },
  };
}
