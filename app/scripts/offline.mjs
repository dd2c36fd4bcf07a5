// Writes the service worker: everything the application is made of, kept for when there is no network.
import { join } from 'node:path';
import { generateSW } from 'workbox-build';

const dist = join(import.meta.dirname, '../dist');
const { count, size, warnings } = await generateSW({
  globDirectory: dist,
  globPatterns: ['**/*'],
  globIgnores: ['sw.js', 'metadata.json', '**/*.map'],
  swDest: join(dist, 'sw.js'),
  // The WebAssembly of picture decoders is the largest.
  maximumFileSizeToCacheInBytes: 12 * 1024 * 1024,
  // What is named by its content never changes.
  dontCacheBustURLsMatching: /^_expo\/static\//,
  navigateFallback: '/index.html',
  // What the server itself answers: shared documents, its interface, sample files, what stands in, files by name.
  navigateFallbackDenylist: [/^\/(s|api|demo|stand-ins)\//, /\.[a-z0-9]+$/i],
  inlineWorkboxRuntime: true,
  sourcemap: false,
  mode: 'production',
  // A newer version waits until the person takes it, or has closed every tab.
  skipWaiting: false,
  clientsClaim: true,
  cleanupOutdatedCaches: true,
});
for (const warning of warnings) console.warn(warning);
console.log(`Offline: ${count} files, ${(size / 1e6).toFixed(1)} MB.`);
