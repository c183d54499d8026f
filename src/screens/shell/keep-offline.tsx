'use client';
import { useEffect, useState } from 'react';
import { Action } from '@/ui/action';

/** Keeps the application in the browser, and asks before a newer version takes the place of the one that is open. */
export function KeepOffline() {
  const [waiting, setWaiting] = useState<ServiceWorker | null>(null);
  useEffect(() => {
    const workers = navigator.serviceWorker as ServiceWorkerContainer | undefined;
    if (process.env.NODE_ENV !== 'production' || !workers) return;
    const before = workers.controller;
    const onChange = () => {
      // The first one only takes the page over that it came with.
      if (before) location.reload();
    };
    workers.addEventListener('controllerchange', onChange);
    void workers
      .register('/sw.js')
      .then((registration) => {
        const look = () => setWaiting(workers.controller ? registration.waiting : null);
        look();
        registration.addEventListener('updatefound', () =>
          registration.installing?.addEventListener('statechange', look),
        );
      })
      // Without it the application works as long as its server does.
      .catch(() => {});
    return () => workers.removeEventListener('controllerchange', onChange);
  }, []);
  if (!waiting) return null;
  return (
    <div
      role="status"
      className="fixed inset-x-0 bottom-14 z-40 mx-auto flex w-fit max-w-[92vw] flex-wrap items-center gap-3 border-[1.5px] border-ink bg-panel px-4 py-2"
    >
      A newer version of Ropeway is here.
      <Action look="strong" onPress={() => waiting.postMessage('use')}>
        Use it now
      </Action>
      <Action onPress={() => setWaiting(null)}>Later</Action>
    </div>
  );
}
