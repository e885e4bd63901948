import { computed, shallowRef, watchEffect } from 'vue';
import { answer, http, type Schemas } from './client';

export type Session = Schemas['Session'];
export type Preferences = Schemas['Preferences'];

const session = shallowRef<Session>();

/** Who is signed in, and how that person reads the product. One for the whole page. */
export function useSession() {
  return {
    session,
    account: computed(() => session.value?.account ?? undefined),
    isDriver: computed(() => session.value?.account?.role === 'DRIVER'),
    isManager: computed(() => session.value?.account?.role === 'MANAGER'),
    mayHandleAlerts: computed(() => ['MANAGER', 'TECHNICIAN'].includes(session.value?.account?.role ?? '')),
    preferences: computed<Preferences>(
      () =>
        session.value?.account?.preferences ?? {
          pressureUnit: 'KPA',
          temperatureUnit: 'CELSIUS',
          theme: 'SYSTEM',
        },
    ),
  };
}

export async function loadSession(): Promise<Session> {
  return (session.value = await answer(http.GET('/api/v1/session')));
}

/** Whether the person left on purpose; then nobody needs to be told that the session is over. */
export let hasLeft = false;

export async function signIn(userName: string, password: string): Promise<void> {
  hasLeft = false;
  session.value = await answer(http.POST('/api/v1/session', { body: { userName, password } }));
}

export async function signOut(): Promise<void> {
  hasLeft = true;
  session.value = await answer(http.DELETE('/api/v1/session'));
  // What was kept for work without a network belongs to the person who left.
  if ('caches' in window) await caches.delete('workshop');
}

/** What the server found out already: the session is over. */
export function forgetAccount(): void {
  if (session.value) {
    session.value = { ...session.value, account: null };
  }
}

export async function prefer(preferences: Preferences): Promise<void> {
  session.value = await answer(http.PUT('/api/v1/session/preferences', { body: preferences }));
}

/** Keeps the page in the theme that was chosen, or in the system's. */
export function followTheme(): void {
  const dark = window.matchMedia('(prefers-color-scheme: dark)');
  const { preferences } = useSession();
  const apply = () => {
    const theme = preferences.value.theme;
    const isNight = theme === 'NIGHT' || (theme === 'SYSTEM' && dark.matches);
    document.documentElement.dataset.theme = isNight ? 'night' : 'paper';
  };
  dark.addEventListener('change', apply);
  watchEffect(apply);
}
