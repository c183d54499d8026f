'use client';
import { LineForm } from '@/ui/line-form';
import { askHandover } from '../shell/handover';

/** Fetches a build that waits for this device, by the code that the other one shows. */
export default function TakeOver({ onFile }: { onFile: (file: File) => void }) {
  const fetchIt = async (code: string): Promise<string | null> => {
    const answer = await askHandover<{ text: string }>({ take: code });
    if (!answer.ok) return `The handover ${answer.reason} ${answer.remedy}`;
    // From here on it is a file like any other: read, checked and taken in, or refused.
    onFile(new File([answer.text], 'from-another-device.ropeway.json', { type: 'application/json' }));
    return null;
  };
  return (
    <section aria-labelledby="handover">
      <h2 id="handover" className="mb-2 font-tight text-title font-semibold">
        From another device
      </h2>
      <LineForm
        label="Code that the other device shows"
        placeholder="its code, eight digits"
        most={20}
        digits
        button="Fetch it"
        refuse={(code) => (code.replace(/\D/g, '').length === 8 ? null : 'A code has eight digits.')}
        onTake={fetchIt}
      />
    </section>
  );
}
