'use client';

import { served } from '@/served/address';
import { theSaveStatus } from './saveStatus';

/** Resolves once all that was done here is on the disk. */
function allWritten(): Promise<void> {
  const standing = theSaveStatus();
  standing.flush();
  return new Promise((resolve) => {
    const look = () => {
      if (!standing.unwritten) {
        stop();
        resolve();
      }
    };
    const stop = standing.state.subscribe(look);
    look();
  });
}

/**
 * Has the browser keep this build, so that it can be used without a connection. What is kept
 * answers for the whole application, so a newer build is used once the owner takes it, or when all
 * its tabs were closed; then every open tab starts anew with it.
 *
 * @param onNewer told when a newer build is ready, with what takes it
 */
export async function keepForOffline(onNewer: (take: () => void) => void): Promise<void> {
  const workers = navigator.serviceWorker;
  // Where nothing answers for this page yet, the first that does is no newer one.
  let answered = workers.controller !== null;
  workers.addEventListener('controllerchange', () => {
    if (answered) {
      void allWritten().then(() => location.reload());
    }
    answered = true;
  });
  const registration = (await workers.register(served('/offline.js'), {
    scope: served('/'),
  })) as ServiceWorkerRegistration | undefined;
  if (!registration) {
    return;
  }
  const tell = (worker: ServiceWorker) =>
    onNewer(() => worker.postMessage({ type: 'SKIP_WAITING' }));
  const watch = (worker: ServiceWorker | null) =>
    worker?.addEventListener('statechange', () => {
      if (worker.state === 'installed' && registration.active) {
        tell(worker);
      }
    });
  // It may have come while the page was still busy.
  if (registration.waiting) {
    tell(registration.waiting);
  }
  watch(registration.installing);
  registration.addEventListener('updatefound', () => watch(registration.installing));
}
