import { type BrowserContext, chromium } from '@playwright/test';
import config from '../playwright.config';
import { startServer } from './server';

/** Measures in Chromium, with the product's server beside it; both end with it. */
export async function inBrowser<T>(measure: (context: BrowserContext) => Promise<T>): Promise<T> {
  const { stop } = await startServer();
  const browser = await chromium.launch(config.use?.launchOptions);
  try {
    const context = await browser.newContext({
      viewport: { width: 1280, height: 800 },
      serviceWorkers: 'block',
    });
    // The runner's compiler names functions with a helper that pages do not have.
    await context.addInitScript('globalThis.__name = (f) => f');
    return await measure(context);
  } finally {
    await browser.close();
    stop();
  }
}
