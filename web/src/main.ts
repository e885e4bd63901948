import './style.css';
import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query';
import { createApp } from 'vue';
import App from './App.vue';
import { Problem, whenSignedOut } from './api/client';
import { followTheme, loadSession } from './api/session';
import { openLostPages } from './lostPage';
import { followLostSession } from './lostSession';
import { router } from './router';
import { followPages, keepFocus } from './shared/keepFocus';
import { words } from './shared/words';

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      // What the server refuses it will refuse again.
      retry: (count, error) => !(error instanceof Problem && error.status > 0) && count < 3,
      staleTime: 5_000,
    },
  },
});

whenSignedOut(followLostSession(router, queries));
openLostPages(router);
followPages(router);

async function begin(): Promise<void> {
  try {
    await loadSession();
  } catch {
    // The sign-in page says what is wrong when somebody tries.
  }
  followTheme();
  keepFocus();
  createApp(App).use(words).use(router).use(VueQueryPlugin, { queryClient: queries }).mount('#app');
}

void begin();

if (import.meta.env.PROD && 'serviceWorker' in navigator) {
  void navigator.serviceWorker.register('/sw.js');
}
