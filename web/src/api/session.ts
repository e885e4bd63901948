import { computed, shallowRef, watchEffect } from 'vue';
import { answer, http, type Schemas } from './client';
import { keepFor } from './kept';

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
          language: 'EN',
        },
    ),
  };
}

/** Takes note of who is signed in; what somebody else left on the device is not shown to them. */
async function take(now: Session): Promise<Session> {
  session.value = now;
  const userName = now.account?.userName;
  keepFor(userName);
  if (userName !== undefined && localStorage.getItem(LAST_PERSON) !== userName) {
    if (localStorage.getItem(LAST_PERSON) !== null) await forgetWhatWasLeft();
    localStorage.setItem(LAST_PERSON, userName);
  }
  return now;
}

const LAST_PERSON = 'vivid-caravan.person';
/** Drafts of descriptions and of wheel moves. */
const DRAFTS = ['vivid-caravan.describe.', 'vivid-caravan.move.'];

/** What was fetched for work without a network, and drafts: they are of the person who was here before. */
async function forgetWhatWasLeft(): Promise<void> {
  for (const key of Object.keys(localStorage)) {
    if (DRAFTS.some((prefix) => key.startsWith(prefix))) localStorage.removeItem(key);
  }
  await forgetWhatWasFetched();
}

/** Browsers give a page that came over plain HTTP no such store, so there may be nothing to forget. */
export async function forgetWhatWasFetched(): Promise<void> {
  if ('caches' in window) await caches.delete('workshop');
}

/** How often somebody has come in or left here: an answer from before is of a session that is over. */
let changes = 0;

export async function loadSession(): Promise<Session> {
  const before = changes;
  const now = await answer(http.GET('/api/v1/session'));
  return session.value && before !== changes ? session.value : take(now);
}

/** Whether the person left on purpose; then nobody needs to be told that the session is over. */
export let hasLeft = false;

export async function signIn(userName: string, password: string): Promise<void> {
  hasLeft = false;
  const now = await answer(http.POST('/api/v1/session', { body: { userName, password } }));
  changes++;
  await take(now);
}

export async function signOut(): Promise<void> {
  hasLeft = true;
  changes++;
  await take(await answer(http.DELETE('/api/v1/session')));
  // What was kept for work without a network belongs to the person who left.
  await forgetWhatWasLeft();
}

/** Changes one's password; every other session of one's own ends. */
export async function changePassword(current: string, next: string): Promise<void> {
  await take(await answer(http.PUT('/api/v1/session/password', { body: { current, next } })));
}

/** Ends one's sessions everywhere else. */
export async function endOtherSessions(): Promise<void> {
  await take(await answer(http.DELETE('/api/v1/session/others')));
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
