'use client';
import { useEffect, useState } from 'react';
import { Action } from '@/ui/action';

interface State {
  /** The browser promised to keep it; null: it does not say. */
  readonly kept: boolean | null;
  readonly usedB: number | null;
  readonly mostB: number | null;
}

/** Whether this browser keeps what is stored, how much that is, and where it was before when it is another address. */
export function StorageState({ empty }: { empty: boolean }) {
  const [state, setState] = useState<State | null>(null);
  const [refused, setRefused] = useState(false);
  const [before, setBefore] = useState<string | null>(null);
  useEffect(() => {
    void stateNow().then(setState);
    setBefore(addressBefore());
  }, []);
  // Where there are builds, here is where they are.
  useEffect(() => {
    if (!empty) rememberAddress();
  }, [empty]);
  const ask = async () => {
    const kept = (await navigator.storage?.persist?.()) ?? false;
    setRefused(!kept);
    setState(await stateNow());
  };
  return (
    <>
      {empty && before && (
        <p role="status" className="mt-2 border-l-[3px] border-ink bg-panel p-3">
          Builds were last opened at {before}, and each address keeps its own. Start the application there, export all
          builds, and open that file here; nothing is lost.
        </p>
      )}
      {state && !empty && (
        <div className="mt-4 flex flex-wrap items-center gap-x-3 gap-y-1 text-small text-soft">
          <span>
            {state.kept === true && 'This browser keeps the builds until you delete them.'}
            {state.kept === false && 'This browser may clear the builds when its disk runs short.'}
            {state.kept === null && 'This browser does not say whether it keeps the builds.'}
            {state.usedB !== null && state.mostB !== null && ` ${sizeOf(state.usedB)} of ${sizeOf(state.mostB)} used.`}
          </span>
          {state.kept === false && !refused && <Action onPress={() => void ask()}>Ask it to keep them</Action>}
          {refused && <span role="status">It does not promise that: export what you can’t lose.</span>}
        </div>
      )}
    </>
  );
}

async function stateNow(): Promise<State> {
  const storage = navigator.storage as StorageManager | undefined;
  const kept = (await storage?.persisted?.().catch(() => null)) ?? null;
  const estimate = await storage?.estimate?.().catch(() => null);
  return { kept, usedB: estimate?.usage ?? null, mostB: estimate?.quota ?? null };
}

const sizeOf = (bytes: number): string =>
  bytes < 1e9
    ? `${(bytes / 1e6).toFixed(bytes < 1e7 ? 1 : 0)} MB`
    : `${(bytes / 1e9).toFixed(bytes < 1e10 ? 1 : 0)} GB`;

/** What is stored is each port's own; a cookie is all that ports of one host have in common. */
const COOKIE = 'ropeway-address';
const ADDRESS = /^127\.0\.0\.1:\d{1,5}$/;

function rememberAddress(): void {
  if (ADDRESS.test(location.host))
    // biome-ignore lint/suspicious/noDocumentCookie: the store of cookies is not in every browser, and one of our own has no secret
    document.cookie = `${COOKIE}=${location.host}; max-age=31536000; samesite=strict; path=/`;
}

function addressBefore(): string | null {
  const found = document.cookie
    .split('; ')
    .find((one) => one.startsWith(`${COOKIE}=`))
    ?.slice(COOKIE.length + 1);
  return found && ADDRESS.test(found) && found !== location.host ? `http://${found}` : null;
}
