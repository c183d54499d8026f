'use client';
import Link from 'next/link';
import { useState } from 'react';
import { type Build, type Edit, EditRefused } from '@/core/build';
import { fuseOf } from '@/core/parts';
import type { FuseFamily } from '@/core/physics/fuse';
import { freshId, repository, storageTrouble } from '@/store/bench';
import type { StoredBuild } from '@/store/database';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { cableOfSum } from './own-cable';
import type { Sum, SumValues } from './sum-types';

interface Target {
  readonly value: string;
  readonly label: string;
  readonly edits: readonly Edit[];
}

/** What a sum's answer can become in a build: a part somewhere, a setting, and always a line in the notes. */
export function targetsOf(sum: Sum, values: SumValues, text: string, build: Build, freshPartId: string): Target[] {
  const note: Edit = { edit: 'addNote', input: { text } };
  const targets: Target[] = [{ value: 'notes', label: 'its notes', edits: [note] }];
  const { devices, conductors } = build.circuits.hv;
  if (sum.name === 'cable') {
    const part = cableOfSum(values, freshPartId);
    for (const conductor of Object.values(conductors))
      if (conductor.kind === 'cable')
        targets.push({
          value: conductor.id,
          label: `${conductor.name}: fit this cable`,
          edits: [{ edit: 'fitCable', input: { conductorIds: [conductor.id], part } }],
        });
  }
  if (sum.name === 'fuse') {
    const part = fuseOf(
      values.family as FuseFamily,
      values.ratedCurrentA as number,
      values.ratedVoltageDcV as number | null,
    );
    for (const device of Object.values(devices))
      if (device.kind === 'fuse')
        targets.push({
          value: device.id,
          label: `${device.name}: fit this fuse`,
          edits: [{ edit: 'fitPart', input: { deviceId: device.id, part } }],
        });
  }
  if (sum.name === 'precharge')
    targets.push({
      value: 'sequence',
      label: 'its precharge: closing level and time-out',
      edits: [
        { edit: 'setFigure', input: { figure: 'closeAt', value: (values.closeAtFraction as number | null) ?? 0.95 } },
        { edit: 'setFigure', input: { figure: 'timeout', value: values.timeoutS as number } },
      ],
    });
  return targets;
}

/** Sends a sum into one of the builds of this browser, as edits that can be undone there. */
export function SendSum({ sum, values, text }: { sum: Sum; values: SumValues; text: string }) {
  const [builds, setBuilds] = useState<readonly StoredBuild[] | null>(null);
  const [buildId, setBuildId] = useState<string | null>(null);
  const [target, setTarget] = useState('notes');
  const [said, setSaid] = useState<{ readonly text: string; readonly sentTo?: string } | null>(null);
  const stored = builds?.find((one) => one.id === buildId) ?? builds?.[0];
  const targets = stored ? targetsOf(sum, values, text, stored.document, `own-${freshId()}`) : [];
  const chosen = targets.find((one) => one.value === target) ?? targets[0];

  const look = async () => {
    try {
      const { builds: found } = await repository().list();
      setBuilds(found);
      setSaid(found.length === 0 ? { text: 'There is no build in this browser yet.' } : null);
    } catch (error) {
      setSaid({ text: storageTrouble(error).reason });
    }
  };
  const send = async () => {
    if (!stored || !chosen) return;
    try {
      for (const edit of chosen.edits) await repository().edit(stored.id, edit);
      setSaid({ text: `Sent into ${stored.name}: ${chosen.label}.`, sentTo: stored.id });
    } catch (error) {
      const { reason, remedy } =
        error instanceof EditRefused ? { reason: error.message, remedy: error.remedy } : storageTrouble(error);
      setSaid({ text: `${reason} ${remedy}` });
    }
  };

  return (
    <div className="mt-2">
      {!stored && <Action onPress={() => void look()}>Send into a build</Action>}
      {stored && builds && (
        <section aria-label="Send into a build" className="rounded-[3px] border border-rule p-3">
          <ChoiceField
            label="Build"
            value={stored.id}
            choices={builds.map((one) => ({ value: one.id, label: one.name }))}
            onChoose={setBuildId}
          />
          <ChoiceField label="Into" value={chosen?.value ?? null} choices={targets} onChoose={setTarget} />
          <div className="mt-2 flex gap-2">
            <Action look="strong" onPress={() => void send()}>
              Send
            </Action>
            <Action onPress={() => setBuilds(null)}>Close</Action>
          </div>
        </section>
      )}
      {said && (
        <p role="status" className="mt-2 text-small">
          {said.text}{' '}
          {said.sentTo && (
            <Link href={`/hv-circuit?build=${encodeURIComponent(said.sentTo)}`} className="underline">
              Open it
            </Link>
          )}
        </p>
      )}
    </div>
  );
}
