'use client';
import type { Build, StartingPoint } from '@/core/build';
import { emptyBuild } from '@/core/build/defaults';
import { Action } from '@/ui/action';
import { LineForm } from '@/ui/line-form';

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
}: {
  /** Makes it under a fresh id and goes to that page. */
  onStart: (make: (id: string) => Build, path: string) => void;
  /** One question: no build is needed. */
  onAsk: () => void;
}) {
  const beginWith = (typed: string, { name: otherwise, path, startingPoint }: Beginning) =>
    onStart((id) => {
      const build = emptyBuild(id, (typed || otherwise).slice(0, LONGEST));
      return startingPoint ? { ...build, vehicle: { ...build.vehicle, startingPoint } } : build;
    }, path);
  return (
    <section aria-labelledby="new">
      <h2 id="new" className="mb-2 font-tight text-title font-semibold">
        New build
      </h2>
      <LineForm
        label="Name of the new build"
        placeholder="Name"
        most={LONGEST}
        button="Start"
        refuse={(name) => (name === '' ? 'Give the new build a name first.' : null)}
        onTake={(name) => {
          onStart((id) => emptyBuild(id, name), '/pack');
          return null;
        }}
        below={(typed) => (
          <>
            <p className="mt-2 text-soft">It begins with a vehicle whose engine comes out. Or with</p>
            <ul className="mt-1 flex flex-wrap gap-1.5" aria-label="Begin with">
              {BEGINNINGS.map((one) => (
                <li key={one.label}>
                  <Action onPress={() => beginWith(typed(), one)}>{one.label}</Action>
                </li>
              ))}
              <li>
                <Action onPress={onAsk}>one question</Action>
              </li>
            </ul>
          </>
        )}
      />
    </section>
  );
}
