import { generateSW } from 'workbox-build';

/** Writes the service worker: the Workshop opens without a network once it was loaded, with the jobs as last seen. */
const { count, size, warnings } = await generateSW({
  globDirectory: 'dist',
  globPatterns: ['index.html', 'assets/**/*.{js,css,woff2,svg}', '*.svg'],
  swDest: 'dist/sw.js',
  inlineWorkboxRuntime: true,
  sourcemap: false,
  cleanupOutdatedCaches: true,
  clientsClaim: true,
  skipWaiting: true,
  navigateFallback: '/index.html',
  navigateFallbackDenylist: [/^\/api\//, /^\/actuator\//],
  runtimeCaching: [
    {
      urlPattern: /\/api\/v1\/(session|jobs|jobs\/\d+|pressure-rounds|pressure-rounds\/\d+|demo)$/,
      handler: 'NetworkFirst',
      options: { cacheName: 'workshop', expiration: { maxEntries: 60 }, matchOptions: { ignoreVary: true } },
    },
  ],
});
if (warnings.length) throw new Error(warnings.join('\n'));
console.log(`web: ${count} files, ${Math.round(size / 1024)} KiB, open without a network`);
