import { create } from 'zustand';

interface Offline {
  /** A newer version is here, and waits; null while there is none. */
  readonly waiting: ServiceWorker | null;
}

/** Whether a newer version of the application waits to be taken. */
export const useOffline = create<Offline>(() => ({ waiting: null }));

const idle = (act: () => void): void => {
  if (typeof requestIdleCallback === 'function') requestIdleCallback(act, { timeout: 10_000 });
  else setTimeout(act, 3_000);
};

/**
 * Keeps everything the application is made of for when there is no network, once the browser has nothing better to do. A
 * newer version is fetched beside it and waits.
 */
export function keepForOffline(): void {
  const { serviceWorker } = navigator;
  // Not over plain HTTP, nor in some private windows: then it needs the network each time.
  if (!serviceWorker) return;
  idle(() => {
    serviceWorker
      .register('/sw.js')
      .then(watch)
      // A browser that refuses to keep it goes on with the network.
      .catch((e: unknown) => console.warn('The application is not kept for offline use.', e));
  });
}

function watch(registration: ServiceWorkerRegistration): void {
  const look = (): void => {
    // The first version ever has nobody to wait for.
    if (registration.waiting && navigator.serviceWorker.controller)
      useOffline.setState({ waiting: registration.waiting });
  };
  look();
  registration.addEventListener('updatefound', () => {
    registration.installing?.addEventListener('statechange', look);
  });
}

/** Takes the newer version: this page is loaded again with it. */
export function takeNewVersion(): void {
  const { waiting } = useOffline.getState();
  if (!waiting) return;
  navigator.serviceWorker.addEventListener('controllerchange', () => window.location.reload(), {
    once: true,
  });
  waiting.postMessage({ type: 'SKIP_WAITING' });
}
