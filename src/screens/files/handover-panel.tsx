'use client';
import { useState } from 'react';
import type { Build } from '@/core/build';
import { buildText } from '@/core/formats';
import { Action } from '@/ui/action';
import { Panel } from '@/ui/panel';
import { type Answer, askHandover } from '../shell/handover';

/** Hands this build to another device through the running server: a code, once, for ten minutes. */
export function HandoverPanel({ build }: { build: Build }) {
  const [answer, setAnswer] = useState<Answer<{ readonly code: string; readonly until: number }> | null>(null);
  const offer = () => void askHandover<{ code: string; until: number }>({ offer: buildText(build) }).then(setAnswer);
  return (
    <Panel title="To another device" about="the telephone in the workshop, without a cloud">
      <p className="mb-3 text-soft">
        Start Ropeway with <code>npm run demo -- --lan</code> and open its address on the other device. Make a code
        here, type it there under All builds. It is a copy: what is changed there does not come back by itself.
      </p>
      <Action onPress={offer}>Make a code</Action>
      {answer?.ok && (
        <p className="mt-3" aria-live="polite">
          <b className="font-tight text-head font-semibold tracking-wider">
            {answer.code.slice(0, 4)} {answer.code.slice(4)}
          </b>{' '}
          <span className="text-soft">
            good once, until {new Date(answer.until).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}
          </span>
        </p>
      )}
      {answer && !answer.ok && (
        <p className="mt-3 text-fails" role="alert">
          The handover {answer.reason} {answer.remedy}
        </p>
      )}
    </Panel>
  );
}
