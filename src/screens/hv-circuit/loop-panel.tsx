'use client';
import type { Assessment } from '@/core/assess';
import { circuitOfTerminal } from '@/core/build';
import { coilLoopEdit, LOOP_DEVICES, loopInsertion } from '@/core/proposals';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import { type SingleFailure, singleFailures, stopTests, type TestPoint, testPoints } from '@/core/simulate';
import { type CoilCircuit, LOWEST_SUPPLY_V } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Caution, Panel } from '@/ui/panel';
import { VerdictMark } from '@/ui/verdict-mark';
import { ConductorFields } from '../shell/conductor-fields';
import { DataTable } from '../shell/data-table';

const TERMINAL_WORDS: Readonly<Record<string, string>> = {
  a: 'in',
  b: 'out',
  auxA: 'contact in',
  auxB: 'contact out',
  coilPlus: 'coil plus',
  coilMinus: 'coil minus',
  n: '',
};

const nameIn = (assessment: Assessment, circuit: CoilCircuit, id: string): string =>
  circuit.lv.conductorOf.get(id)?.conductor.name ??
  circuit.lv.deviceOf.get(id)?.device.name ??
  assessment.vehicle.deviceOf.get(id)?.device.name ??
  id;

/** Shown while no coil is fed: one press lays the loop out after the school of emergency stop. */
export function NoLoop() {
  const dispatch = useBench((bench) => bench.dispatch);
  return (
    <Panel title="No coil circuit yet">
      <p className="text-soft">
        The contactors close when their coils are fed. Lay out the loop that feeds them: battery, fuse, key, the
        emergency stop of your school, inertia switch, lids and plugs, the contact of each disconnect, then a driver and
        the coil of each contactor. Lengths come first as guesses; press a wire to type yours.
      </p>
      <div className="mt-3">
        <Action look="strong" onPress={() => dispatch(coilLoopEdit(freshId()))}>
          Lay out the loop
        </Action>
      </div>
    </Panel>
  );
}

/** What opens the loop, by itself. */
export function StopTable({
  assessment,
  circuit,
  selected,
  onSelect,
}: {
  assessment: Assessment;
  circuit: CoilCircuit;
  selected: string | null;
  onSelect: (id: string) => void;
}) {
  const { vehicle } = assessment;
  const rows = stopTests(vehicle).filter(({ id }) => circuit.stops.some((stop) => stop.id === id));
  const broken = stopTests(vehicle).filter(({ id, letsGo }) => circuit.lv.conductorOf.has(id) && letsGo.length === 0);
  const failures = singleFailures(vehicle);
  const held = Math.max(0, ...rows.map(({ letsGo, staysIn }) => letsGo.length + staysIn.length));
  const names = (ids: readonly string[]) =>
    ids.length === held && held > 1 ? 'every contactor' : ids.map((id) => nameIn(assessment, circuit, id)).join(', ');
  return (
    <Panel title="What opens it" about="each by itself, while driving">
      <DataTable
        label="What opens it"
        columns={[
          {
            id: 'opened',
            head: 'Opened',
            cell: ({ id }) => (
              <button
                type="button"
                onClick={() => onSelect(id)}
                className="min-h-8 text-left underline-offset-4 hover:underline"
              >
                {nameIn(assessment, circuit, id)}
              </button>
            ),
            value: ({ id }) => nameIn(assessment, circuit, id),
          },
          {
            id: 'drops',
            head: 'lets go',
            cell: ({ letsGo }) => <b className="font-semibold">{letsGo.length > 0 ? names(letsGo) : '–'}</b>,
            value: ({ letsGo }) => names(letsGo),
          },
          {
            id: 'stays',
            head: 'stays closed',
            cell: ({ staysIn }) => (staysIn.length > 0 ? names(staysIn) : '–'),
            value: ({ staysIn }) => names(staysIn),
          },
        ]}
        rows={rows}
        idOf={({ id }) => id}
        openId={selected}
      />
      {broken.length > 0 && (
        <p className="mt-2 text-small text-soft">
          Breaking one of these wires opens nothing:{' '}
          {broken.map(({ id }) => nameIn(assessment, circuit, id)).join(', ')}.
        </p>
      )}
      <Failures failures={failures} name={(id) => nameIn(assessment, circuit, id)} />
    </Panel>
  );
}

function Failures({ failures, name }: { failures: readonly SingleFailure[]; name: (id: string) => string }) {
  return (
    <div className="mt-3">
      <h3 className="font-tight text-lead font-semibold">Handle pressed, and one thing more has failed</h3>
      {failures.length === 0 ? (
        <p className="flex items-center gap-2 py-1">
          <VerdictMark shape="holds" size={12} /> Every contactor still drops out: no bridged contact and no wire that
          touches the supply holds one in.
        </p>
      ) : (
        <ul className="max-h-[260px] overflow-y-auto">
          {failures.map(({ kind, id, staysIn }) => (
            <li key={`${kind}${id}`} className="flex items-baseline gap-2 border-t border-rule/70 py-1 text-small">
              <VerdictMark shape="fails" size={11} />
              <span className="min-w-0 flex-1">
                {name(id)} {kind === 'bridged' ? 'bridged' : 'touches the supply'}
              </span>
              <span>
                holds <b className="font-semibold">{staysIn.map(name).join(', ')}</b>
              </span>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** Where to put the probe, in order, and what it should read. */
export function TestPointTable({ assessment, circuit }: { assessment: Assessment; circuit: CoilCircuit }) {
  const system = assessment.build.units;
  const placeOf = ({ node, deviceId }: TestPoint) => ({
    name: nameIn(assessment, circuit, deviceId),
    terminal: TERMINAL_WORDS[node.slice(deviceId.length + 1)] ?? '',
  });
  return (
    <Panel title="Test points" about="12.6 V at the battery, driving, probe to the battery’s minus">
      <div className="max-h-[420px] overflow-y-auto">
        <DataTable
          label="Readings along the loop"
          columns={[
            {
              id: 'point',
              head: 'Point',
              cell: (point) => {
                const { name, terminal } = placeOf(point);
                return (
                  <>
                    {name} <span className="text-soft">{terminal}</span>
                  </>
                );
              },
              value: (point) => `${placeOf(point).name} ${placeOf(point).terminal}`.trim(),
            },
            {
              id: 'live',
              head: 'live',
              unit: 'V',
              figure: true,
              cell: ({ expectedV }) => (
                <b className="font-semibold">
                  {formatQuantity({ value: expectedV, dimension: 'voltage' }, system, 4, 'V').text}
                </b>
              ),
              value: ({ expectedV }) => expectedV,
            },
            {
              id: 'dead',
              head: 'supply off, from plus',
              unit: 'Ω',
              figure: true,
              cell: ({ fromPlusOhm }) => ohmText(fromPlusOhm(), system),
              value: ({ fromPlusOhm }) => fromPlusOhm(),
            },
          ]}
          rows={testPoints(assessment.vehicle)}
          idOf={({ node }) => node}
        />
      </div>
      <p className="mt-2 text-note text-soft">
        Contacts 20 mΩ, wires at {formatQuantity({ value: 40, dimension: 'temperature' }, system).text}. Where a reading
        falls by more than a tenth of a volt from one point to the next, the fault lies between them.
      </p>
    </Panel>
  );
}

/** What is picked in the loop: change it, take it out, put something in. */
export function LoopSelection({
  assessment,
  circuit,
  selected,
  onClear,
}: {
  assessment: Assessment;
  circuit: CoilCircuit;
  selected: string;
  onClear: () => void;
}) {
  const dispatch = useBench((bench) => bench.dispatch);
  const wire = circuit.lv.conductorOf.get(selected);
  const device = circuit.lv.deviceOf.get(selected)?.device;
  const contactor = assessment.vehicle.deviceOf.get(selected);
  return (
    <Panel title={nameIn(assessment, circuit, selected)} onClose={onClear}>
      {wire && (
        <>
          <ConductorFields conductor={wire} row={undefined} build={assessment.build} />
          <div className="mt-3 flex flex-wrap items-center gap-2">
            <span className="text-soft">Put in</span>
            {LOOP_DEVICES.map(([kind, name]) => (
              <Action key={kind} onPress={() => dispatch(loopInsertion(selected, kind, name, freshId()))}>
                {name.toLowerCase()}
              </Action>
            ))}
          </div>
        </>
      )}
      {device && circuitOfTerminal(device.kind, 'a') === 'lv' && (
        <Action onPress={() => dispatch({ edit: 'takeOutDevice', input: { deviceId: device.id } }) && onClear()}>
          Delete and rejoin
        </Action>
      )}
      {contactor?.device.kind === 'contactor' && (
        <ChoiceField
          label="At its coil"
          value={contactor.device.coilSuppression ?? 'own'}
          choices={[
            { value: 'own', label: 'what it brings along' },
            { value: 'zener', label: 'zener or TVS' },
            { value: 'plain-diode', label: 'plain diode' },
            { value: 'none', label: 'nothing' },
          ]}
          onChoose={(value) =>
            dispatch({
              edit: 'setCoilSuppression',
              input: { deviceId: selected, suppression: value === 'own' ? null : (value as 'zener') },
            })
          }
        />
      )}
      {contactor?.device.kind === 'disconnect' && (
        <p className="text-soft">
          Its auxiliary contact. Taking the disconnect out of the traction circuit joins these wires.
        </p>
      )}
    </Panel>
  );
}

export function LoopCaution() {
  return (
    <Caution>
      The voltages in the drawing are at the coils with hot copper on a weak battery of {LOWEST_SUPPLY_V} V. Test the
      loop with the disconnect out and the cells’ side proved dead: press each handle, open each lid, pull each plug,
      and hear every contactor drop. Contacts weld; a sequence that proves the link dead at key-on finds it.
    </Caution>
  );
}

const ohmText = (value: number, system: UnitSystem): string =>
  Number.isFinite(value) ? formatQuantity({ value, dimension: 'resistance' }, system, 3, 'mΩ').text : 'open';
