'use client';
import { useState } from 'react';
import { Action } from '@/ui/action';
import { askHandover } from '../shell/handover';

/** Fetches a build that waits for this device, by the code that the other one shows. */
export default function TakeOver({ onFile }: { onFile: (file: File) => void }) {
  const [code, setCode] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const fetchIt = () => {
    if (code.replace(/\D/g, '').length !== 8) {
      setTrouble('A code has eight digits.');
      return;
    }
    void askHandover<{ text: string }>({ take: code }).then((answer) => {
      if (!answer.ok) {
        setTrouble(`The handover ${answer.reason} ${answer.remedy}`);
        return;
      }
      setTrouble(null);
      // From here on it is a file like any other: read, checked and taken in, or refused.
      onFile(new File([answer.text], 'from-another-device.ropeway.json', { type: 'application/json' }));
    });
  };
  return (
    <section aria-labelledby="handover">
      <h2 id="handover" className="mb-2 font-tight text-title font-semibold">
        From another device
      </h2>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          fetchIt();
        }}
        className="flex gap-2"
      >
        <input
          aria-label="Code that the other device shows"
          placeholder="its code, eight digits"
          inputMode="numeric"
          autoComplete="off"
          value={code}
          maxLength={20}
          onChange={(event) => setCode(event.currentTarget.value)}
          className="min-w-0 flex-1 rounded-[3px] border border-rule bg-panel px-3 py-2"
        />
        <Action onPress={fetchIt}>Fetch it</Action>
      </form>
      {trouble && (
        <p role="alert" className="mt-2 text-small text-fails">
          {trouble}
        </p>
      )}
    </section>
  );
}
