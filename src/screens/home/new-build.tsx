'use client';
import { type FormEvent, useState } from 'react';
import type { Build, StartingPoint } from '@/core/build';
import { emptyBuild } from '@/core/build/defaults';
import { Action } from '@/ui/action';

/** What people begin with beside a whole vehicle: where it leads, and what it is called until they say. */
interface Beginning {
  readonly label: string;
  readonly name: string;
  readonly path: string;
  readonly startingPoint?: StartingPoint;
}
const BEGINNINGS: readonly Beginning[] = [
  { label: 'a pile of parts', name: 'Pile of parts', path: '/parts' },
  { label: 'an electric vehicle that gets more', name: 'Electric vehicle', path: '/survey', startingPoint: 'extend' },
  { label: 'a repair', name: 'Repair', path: '/survey', startingPoint: 'repair' },
];
const LONGEST = 120;

/** A build from nothing, by its name; or by what somebody has. */
export function NewBuild({
  onStart,
  onAsk,
  onTrouble,
}: {
  /** Makes it under a fresh id and goes to that page. */
  onStart: (make: (id: string) => Build, path: string) => void;
  /** One question: no build is needed. */
  onAsk: () => void;
  onTrouble: (words: string) => void;
}) {
  const [name, setName] = useState('');
  const bare = name.trim();
  const onSubmit = (event: FormEvent) => {
    event.preventDefault();
    if (bare === '') onTrouble('Give the new build a name first.');
    else onStart((id) => emptyBuild(id, bare.slice(0, LONGEST)), '/pack');
  };
  const beginWith = ({ name: otherwise, path, startingPoint }: Beginning) =>
    onStart((id) => {
      const build = emptyBuild(id, (bare || otherwise).slice(0, LONGEST));
      return startingPoint ? { ...build, vehicle: { ...build.vehicle, startingPoint } } : build;
    }, path);
  return (
    <section aria-labelledby="new">
      <h2 id="new" className="mb-2 font-tight text-title font-semibold">
        New build
      </h2>
      <form onSubmit={onSubmit} className="flex gap-2">
        <input
          aria-label="Name of the new build"
          placeholder="Name"
          value={name}
          maxLength={LONGEST}
          onChange={(event) => setName(event.currentTarget.value)}
          className="min-w-0 flex-1 rounded-[3px] border border-rule bg-panel px-3 py-2"
        />
        <button
          type="submit"
          className="rounded-[3px] border-[1.5px] border-ink px-4 py-2 font-tight text-lead font-semibold"
        >
          Start
        </button>
      </form>
      <p className="mt-2 text-soft">It begins with a vehicle whose engine comes out. Or with</p>
      <ul className="mt-1 flex flex-wrap gap-1.5" aria-label="Begin with">
        {BEGINNINGS.map((one) => (
          <li key={one.label}>
            <Action onPress={() => beginWith(one)}>{one.label}</Action>
          </li>
        ))}
        <li>
          <Action onPress={onAsk}>one question</Action>
        </li>
      </ul>
    </section>
  );
}
