import { defineConfig } from '@playwright/test';
import { LAID_OUT } from './e2e/support/laidOut';

/** What is tried on a phone: its own manners, ways out, and what is arranged at both sizes. */
const ON_A_PHONE =
  /(phone|accessibility|links-sent|mail|view-only|guest-answers|pageTable|correcting|redacting|own-links|new-edition)\.spec\.ts/;

const port = Number(process.env.E2E_PORT ?? 4179);
const chromium = (name: string) => ({
  executablePath: `/usr/bin/${name}`,
  args: [
    '--headless',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
});
const phone = {
  viewport: { width: 390, height: 844 },
  isMobile: true,
  hasTouch: true,
  deviceScaleFactor: 2,
  storageState: LAID_OUT,
};

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  // Two cores: the server, the browser and its workers fill them.
  workers: 1,
  // Who fails once and then passes is told as flaky, and is to be looked into.
  retries: 1,
  timeout: 90_000,
  expect: { timeout: 15_000 },
  forbidOnly: true,
  reporter: [
    ['list'],
    [
      'json',
      { outputFile: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ?? '.cache/reports/browser.json' },
    ],
  ],
  use: {
    baseURL: `http://localhost:${port}`,
    locale: 'en-GB',
    // What is kept for offline use would stand between the tests and the server; offline.spec.ts allows it.
    serviceWorkers: 'block',
    launchOptions: chromium('chromium-headless-shell'),
  },
  projects: [
    { name: 'desk', testMatch: /desk\.setup\.ts/ },
    {
      name: 'wide',
      dependencies: ['desk'],
      testIgnore: [
        /phone\.spec\.ts/,
        // Ways out, which are tried on a phone.
        /(links-sent|mail|printing|view-only|guest-answers)\.spec\.ts/,
        /webkit\//,
        ...(process.env.SCREENSHOTS ? [] : [/screenshots.*\.spec\.ts/]),
      ],
      use: { viewport: { width: 1280, height: 800 }, hasTouch: true, storageState: LAID_OUT },
    },
    {
      name: 'phone',
      dependencies: ['desk'],
      testMatch: process.env.SCREENSHOTS ? /screenshots.*\.spec\.ts/ : ON_A_PHONE,
      use: phone,
    },
    // Prints through its own viewer of PDFs, which the browser without a window does not have.
    {
      name: 'viewer',
      dependencies: ['desk'],
      testMatch: process.env.SCREENSHOTS ? [] : /printing\.spec\.ts/,
      use: { ...phone, launchOptions: chromium('chromium') },
    },
    // Another engine, with its own driver.
    { name: 'webkit', testMatch: process.env.SCREENSHOTS ? [] : /webkit\/.*\.spec\.ts/ },
  ],
  webServer: {
    command: 'node --import tsx server/src/main.ts',
    url: `http://localhost:${port}`,
    reuseExistingServer: false,
    env: {
      PORT: String(port),
      DEMO: '1',
      DATA_FOLDER: '.cache/e2e-links',
      OUTBOX_FOLDER: '.cache/e2e-outbox',
      DEVICES_FOLDER: '.cache/e2e-devices',
      LOG_LEVEL: 'error',
      LINK_REQUESTS: '2000',
    },
  },
});
