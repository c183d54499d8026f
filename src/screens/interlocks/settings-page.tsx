'use client';
import type { Assessment } from '@/core/assess';
import type { SettingEntry } from '@/core/build';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import { type DeviceSheet, SETTING_WORDS, type SettingRow, sameSetting, serves } from '@/core/stations/interlocks';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { TextField } from '@/ui/text-field';
import { VerdictMark } from '@/ui/verdict-mark';

const SENSE = { equal: '', 'at-most': 'at most ', 'at-least': 'at least ' } as const;

/** One sheet a device: what the design wants, what was entered, what the device says back. */
export function SettingsPage({ assessment }: { assessment: Assessment }) {
  const { sheets } = assessment.results.interlocks;
  return (
    <div data-print>
      <div className="mb-2 flex items-baseline gap-3">
        <p className="flex-1 text-soft">
          {assessment.build.name}: set each device to what the design wants, read it back, write down both. A difference
          is a finding.
        </p>
        <span className="no-print">
          <Action onPress={() => window.print()}>Print the sheets</Action>
        </span>
      </div>
      {sheets.length === 0 && (
        <p className="text-soft">Sheets come with inverter, charger, converter and electronics.</p>
      )}
      <div className="grid items-start gap-3 min-[1080px]:grid-cols-2">
        {sheets.map((sheet) => (
          <Sheet key={sheet.deviceId} sheet={sheet} system={assessment.build.units} />
        ))}
      </div>
    </div>
  );
}

function Sheet({ sheet: { deviceId, name, rows, sheet }, system }: { sheet: DeviceSheet; system: UnitSystem }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const done = rows.filter(({ entry }) => entry?.readBack !== null && entry !== null).length;
  const put = (more: Partial<{ firmware: string; date: string; by: string }>) =>
    dispatch({
      edit: 'setSheet',
      input: {
        sheet: {
          id: sheet?.id ?? freshId(),
          deviceId,
          firmware: sheet?.firmware ?? '',
          date: sheet?.date ?? '',
          by: sheet?.by ?? '',
          ...more,
        },
      },
    });
  return (
    <Panel title={name} about={`${done} of ${rows.length} read back`}>
      <ul>
        {rows.map((row) => (
          <Row key={row.setting} row={row} system={system} />
        ))}
      </ul>
      <div className="mt-2">
        <TextField
          label="Firmware"
          value={sheet?.firmware ?? ''}
          empty="not read"
          onCommit={(firmware) => put({ firmware })}
        />
        <TextField
          label="Read back on"
          value={sheet?.date ?? ''}
          empty="yyyy-mm-dd"
          refuse={(text) => (/^\d{4}-\d{2}-\d{2}$/.test(text) ? null : 'A day is written as 2026-05-31.')}
          onCommit={(date) => put({ date })}
        />
        <TextField label="By" value={sheet?.by ?? ''} empty="who" onCommit={(by) => put({ by })} />
      </div>
    </Panel>
  );
}

function Row({ row, system }: { row: SettingRow; system: UnitSystem }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { deviceId, setting, dimension, wanted, sense, why, entry } = row;
  const put = (more: Partial<SettingEntry>) =>
    dispatch({
      edit: 'setSetting',
      input: {
        entry: {
          id: entry?.id ?? freshId(),
          deviceId,
          setting,
          entered: entry?.entered ?? null,
          readBack: entry?.readBack ?? null,
          ...more,
        },
      },
    });
  const words = SETTING_WORDS[setting];
  const text = wanted === null ? '–' : `${SENSE[sense]}${formatQuantity({ value: wanted, dimension }, system, 4).text}`;
  const bad = [entry?.entered, entry?.readBack].some((value) => typeof value === 'number' && !serves(row, value));
  const differs =
    typeof entry?.entered === 'number' &&
    typeof entry.readBack === 'number' &&
    !sameSetting(entry.entered, entry.readBack);
  const mark = bad || differs ? 'fails' : typeof entry?.readBack === 'number' ? 'holds' : 'hollow';
  return (
    <li data-setting={setting} aria-label={words} className="border-t border-rule/70 py-1.5">
      <div className="flex items-baseline gap-2">
        <VerdictMark shape={mark} size={11} />
        <span className="flex-1 font-semibold">{words}</span>
        <span className="whitespace-nowrap tabular-nums">{text}</span>
      </div>
      <div className="pl-5">
        <Typed
          label="Entered"
          row={row}
          value={entry?.entered ?? null}
          system={system}
          onCommit={(entered) => put({ entered })}
        />
        <Typed
          label="Read back"
          row={row}
          value={entry?.readBack ?? null}
          system={system}
          onCommit={(readBack) => put({ readBack })}
        />
      </div>
      <p className="pl-5 text-note text-soft">
        {bad ? 'not what the design asks' : differs ? 'says back something else' : `wanted from: ${why}`}
        {mark === 'hollow' && wanted !== null && entry?.entered == null && (
          <span className="no-print">
            {' '}
            <Action look="quiet" onPress={() => put({ entered: wanted })} label={`Entered as wanted: ${words}`}>
              entered as wanted
            </Action>
          </span>
        )}
      </p>
    </li>
  );
}

function Typed({
  label,
  row: { dimension },
  value,
  system,
  onCommit,
}: {
  label: string;
  row: SettingRow;
  value: number | null;
  system: UnitSystem;
  onCommit: (value: number | null) => void;
}) {
  return (
    <div>
      <QuantityField
        label={label}
        dimension={dimension}
        system={system}
        value={value}
        {...(dimension === 'ratio' ? { unit: '%' } : {})}
        empty="–"
        {...(value === null ? {} : { onClear: () => onCommit(null) })}
        onCommit={onCommit}
      />
    </div>
  );
}
