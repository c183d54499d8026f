'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { SHEET_WORDS, type Sheet, sheetDigest } from '@/core/stations/commission';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Panel } from '@/ui/panel';
import { TextField } from '@/ui/text-field';
import { dayText, today } from '../shell/days';

/** Who answers for this sheet, and for which design. */
export function SignPanel({ sheet, assessment, by }: { sheet: Sheet; assessment: Assessment; by: string }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const [name, setName] = useState<string | null>(null);
  const [role, setRole] = useState('');
  const { sign, signed, done, lines, open, out } = sheet;
  const who = name ?? by;
  return (
    <Panel title="Sign-off" about={SHEET_WORDS[sheet.id][0]}>
      {sign && (
        <p data-signed={signed}>
          Signed by <b className="font-semibold">{sign.by}</b>
          {sign.role ? `, ${sign.role}` : ''}, {dayText(sign.date)}, for{' '}
          <span className="font-mono text-small">{sign.digest}</span>
          {signed === 'older' && (
            <span className="mt-1 block border-l-[3px] border-thin pl-3" aria-live="polite">
              <b className="font-semibold">For an older design.</b> Design or readings have changed since: look the
              sheet through again, then sign anew.
            </span>
          )}
        </p>
      )}
      {done ? (
        <div className="no-print mt-1 grid gap-x-8 min-[700px]:grid-cols-2">
          <TextField label="Name" value={who} empty="who answers for it" onCommit={setName} />
          <TextField label="As" value={role} empty="electrician, inspector, owner" clears onCommit={setRole} />
          <p className="mt-2">
            <Action
              look="outline"
              disabled={who === '' || signed === 'now'}
              onPress={() =>
                dispatch({
                  edit: 'putInCommission',
                  input: {
                    list: 'signs',
                    entries: [
                      {
                        id: freshId(),
                        sheet: sheet.id,
                        by: who,
                        ...(role === '' ? {} : { role }),
                        date: today(),
                        digest: sheetDigest(assessment.context.vehicle.build, lines),
                      },
                    ],
                  },
                })
              }
            >
              {signed === 'now' ? 'Signed' : 'Sign this sheet'}
            </Action>
          </p>
          <p className="mt-2 text-small text-soft">
            The name goes on record with a digest of the design and of these readings: a change of either shows. It is
            no licence; local rules say who has to sign.
          </p>
        </div>
      ) : (
        <p className="text-soft">
          It is signed when every test reads right or is skipped for a reason: {open} open
          {out > 0 ? `, ${out} out` : ''}.
        </p>
      )}
    </Panel>
  );
}
