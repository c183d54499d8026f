'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { buildFileName, wiringCsv } from '@/core/formats';
import { formatQuantity } from '@/core/quantities';
import { endWords, type HarnessWire, usualSignals, type WireChange, wiringIssue } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { Action, decimalMark, download } from '@/ui/action';
import { Panel } from '@/ui/panel';
import { Select } from '@/ui/select';
import { type Column, DataTable, RowOpener } from '../shell/data-table';
import { ALL, today } from './end-words';
import { FittingsPanel } from './fittings-panel';
import { colourWords, Swatch } from './swatch';
import { WireFields } from './wire-fields';

/** Every wire with its fields; what changed since the list that is worked from; signals and fittings. */
export function WiresPage({ assessment }: { assessment: Assessment }) {
  const { build, vehicle, results } = assessment;
  const { harness, changes, missing } = results.harness;
  const dispatch = useBench((bench) => bench.dispatch);
  const [loom, setLoom] = useState(ALL);
  const [open, setOpen] = useState<string | null>(null);
  const rows = harness.wires.filter((wire) => loom === ALL || wire.loom === loom);
  const looms = [...new Set(harness.wires.map((wire) => wire.loom))].sort();
  const length = (m: number | null) =>
    m === null ? 'not known' : formatQuantity({ value: m, dimension: 'length' }, build.units, 3).text;
  const area = (mm2: number | null) =>
    mm2 === null ? 'not chosen' : formatQuantity({ value: mm2, dimension: 'area' }, build.units, 3).text;
  const columns: readonly Column<HarnessWire>[] = [
    {
      id: 'label',
      head: 'Wire',
      value: ({ label }) => label,
      cell: (wire) => (
        <RowOpener
          open={open === wire.id}
          onOpen={() => setOpen(open === wire.id ? null : wire.id)}
          mark={<Swatch colour={wire.colour} stripe={wire.stripe} />}
        >
          <span className="tabular-nums">{wire.label}</span> <span className="font-normal">{wire.name}</span>
          {wire.parallel > 1 && ` × ${wire.parallel}`}
        </RowOpener>
      ),
    },
    {
      id: 'colour',
      head: 'Colour',
      spare: true,
      value: ({ colour, stripe }) => colourWords(colour, stripe),
      cell: ({ colour, stripe }) => colourWords(colour, stripe),
    },
    { id: 'a', head: 'From', value: (wire) => endWords(wire, 'a'), cell: (wire) => endWords(wire, 'a') },
    { id: 'b', head: 'To', value: (wire) => endWords(wire, 'b'), cell: (wire) => endWords(wire, 'b') },
    {
      id: 'area',
      head: 'Cross-section',
      unit: 'mm²',
      figure: true,
      spare: true,
      value: ({ areaMm2 }) => areaMm2,
      cell: ({ areaMm2 }) => area(areaMm2),
    },
    {
      id: 'cut',
      head: 'Cut',
      unit: 'm',
      figure: true,
      value: ({ cutM }) => (cutM === null ? null : Math.round(cutM * 100) / 100),
      cell: ({ cutM }) => length(cutM),
    },
  ];
  const signals = missing.reduce((sum, { wanted, has }) => sum + wanted.wires.length - has, 0);
  return (
    <div data-print className="grid gap-3">
      <Issued
        changes={changes}
        date={build.harness?.issue?.date ?? null}
        onIssue={() => dispatch({ edit: 'issueWiring', input: { issue: wiringIssue(vehicle, today()) } })}
      />
      {signals > 0 && (
        <Panel title={`${signals} signal ${signals === 1 ? 'wire is' : 'wires are'} needed and not entered`}>
          <p className="text-soft">{missing.map(({ wanted }) => wanted.words).join(', ')}.</p>
          <p className="mt-2">
            <Action
              look="strong"
              onPress={() => dispatch({ edit: 'layOutSignals', input: usualSignals(build, freshId) })}
            >
              Put in the usual signal wires
            </Action>
          </p>
        </Panel>
      )}
      <Panel title="Wires" about={`${harness.wires.length}`}>
        <div className="no-print mb-1 flex flex-wrap items-center gap-3">
          <Select
            label="Sub-harness"
            value={loom}
            onChoose={setLoom}
            choices={[{ value: ALL, label: 'every sub-harness' }, ...looms.map((value) => ({ value, label: value }))]}
          />
          <span className="flex-1" />
          <Action look="quiet" onPress={() => window.print()}>
            Print the list
          </Action>
          <Action
            look="quiet"
            onPress={() =>
              download(wiringCsv(rows, decimalMark()), buildFileName(build.name, '-wires.csv'), 'text/csv')
            }
          >
            Save as CSV
          </Action>
        </div>
        <DataTable
          label="Wires"
          rows={rows}
          columns={columns}
          idOf={({ id }) => id}
          openId={open}
          wide
          attributes={({ id }) => ({ 'data-wire-row': id })}
          detail={(wire) => <WireFields build={build} wire={wire} wires={harness.wires} onGone={() => setOpen(null)} />}
        />
      </Panel>
      <FittingsPanel build={build} />
    </div>
  );
}

const IS: Readonly<Record<WireChange['is'], string>> = {
  new: 'new',
  gone: 'gone',
  moved: 'moved',
  'other-cable': 'other cable',
};

/** The list that is worked from, and in what the design has moved on since. */
function Issued({
  changes,
  date,
  onIssue,
}: {
  changes: readonly WireChange[] | null;
  date: string | null;
  onIssue: () => void;
}) {
  if (changes === null)
    return (
      <Panel title="No list to work from yet">
        <p className="text-soft">
          The list fixes numbers and pins. When the design changes later, what is new, gone, moved or of another cable
          is said here, and labels and ticks stay.
        </p>
        <p className="mt-2">
          <Action look="outline" onPress={onIssue}>
            Work from the list of today
          </Action>
        </p>
      </Panel>
    );
  return (
    <Panel
      title={`List of ${date}`}
      about={
        changes.length === 0
          ? 'the design is still just so'
          : `${changes.length} ${changes.length === 1 ? 'difference' : 'differences'} since`
      }
    >
      {changes.length > 0 && (
        <>
          <ul>
            {changes.map(({ id, no, name, is, was, now, begun }) => (
              <li key={id} data-change={is} className="border-t border-rule/70 py-1">
                <b className="font-semibold">
                  {IS[is]}: {name}
                </b>
                <span className="text-soft">
                  {no !== null && ` (no. ${no})`} {was}
                  {was && now && ' → '}
                  {now}
                  {begun && is !== 'new' && '; ends of it are made already'}
                </span>
              </li>
            ))}
          </ul>
          <p className="mt-2">
            <Action look="outline" onPress={onIssue}>
              Take them in: work from today’s list
            </Action>
          </p>
        </>
      )}
    </Panel>
  );
}
