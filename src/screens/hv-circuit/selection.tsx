'use client';
import type { Assessment } from '@/core/assess';
import { deviceDefinition, hasTrait, type StateId } from '@/core/build';
import { checkKey, marginText, say } from '@/core/checks';
import type { Part } from '@/core/parts';
import { formatQuantity } from '@/core/quantities';
import { followsVehicle, partOf, type ResolvedDevice, type SolvedCase } from '@/core/vehicle';
import { useBench } from '@/store/bench';
import { FigureRow } from '@/ui/figure-row';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { MARK_COLOUR, VerdictMark } from '@/ui/verdict-mark';
import { ConductorFields } from '../shell/conductor-fields';
import { FigureSetting } from '../shell/figure-setting';
import { PartChoice } from '../shell/part-choice';
import { MeasuredFold } from '../shell/readings';
import { shapeOf } from '../shell/shape';
import { StatePower } from './state-power';
import { DeviceActions, WireActions } from './topology-actions';

/** Powers of a device on the bus, state by state. */
const DRAWS: readonly (readonly [StateId, string])[] = [
  ['cruise', 'Draws in cruise'],
  ['hard-acceleration', 'Draws in hard acceleration'],
  ['hill', 'Draws on a hill'],
  ['heating', 'Draws while heating'],
  ['charging', 'Gives while charging'],
];

/** What is picked in the drawing: its part and figures to change, and what the checks say of it. */
export function Selection({
  assessment,
  selected,
  solved,
  openCheck,
  onClear,
}: {
  assessment: Assessment;
  selected: string;
  solved: SolvedCase | undefined;
  openCheck: (key: string) => void;
  onClear: () => void;
}) {
  const device = assessment.vehicle.deviceOf.get(selected);
  const conductor = assessment.vehicle.conductorOf.get(selected);
  if (!device && !conductor) return null;
  const checks = assessment.checks.filter((check) => check.subject.id === selected);
  return (
    <Panel
      title={device ? device.device.name : conductor!.conductor.name}
      about={device ? deviceDefinition(device.device.kind).word : 'conductor'}
      onClose={onClear}
    >
      {device ? (
        <DeviceFields device={device} solved={solved} assessment={assessment} />
      ) : (
        <ConductorFields
          conductor={conductor!}
          row={assessment.results.cables.rows.find((row) => row.id === selected)}
          build={assessment.build}
        />
      )}
      {device && <MeasuredFold build={assessment.build} subjectId={selected} />}
      {device ? (
        <DeviceActions assessment={assessment} deviceId={selected} onGone={onClear} />
      ) : (
        <WireActions assessment={assessment} conductorId={selected} />
      )}
      {checks.length > 0 && (
        <ul className="mt-3 space-y-0.5">
          {checks.map((check) => (
            <li key={checkKey(check)}>
              <button
                type="button"
                onClick={() => openCheck(checkKey(check))}
                className="flex w-full items-center gap-2 rounded-[3px] py-0.5 text-left text-small hover:bg-well"
              >
                <VerdictMark shape={shapeOf(check.verdict)} size={12} />
                <span className="min-w-0 flex-1 truncate">{say(check, assessment.build.units).title}</span>
                <span className={`font-semibold ${MARK_COLOUR[shapeOf(check.verdict)]}`}>{marginText(check)}</span>
              </button>
            </li>
          ))}
        </ul>
      )}
    </Panel>
  );
}

function DeviceFields({
  device,
  solved,
  assessment,
}: {
  device: ResolvedDevice;
  solved: SolvedCase | undefined;
  assessment: Assessment;
}) {
  const dispatch = useBench((bench) => bench.dispatch);
  const system = assessment.build.units;
  const wanted = deviceDefinition(device.device.kind).part;
  const amps = solved?.point.solvable ? solved.point.elementCurrentsA.get(device.id) : undefined;
  const bus = partOf(device, 'bus-device');
  return (
    <div>
      {wanted && (
        <PartChoice
          kind={wanted}
          build={assessment.build}
          label="Part"
          value={device.part?.id ?? null}
          onChoose={(part) => dispatch({ edit: 'fitPart', input: { deviceId: device.id, part } })}
        />
      )}
      <PartFigures part={device.part} assessment={assessment} />
      {amps !== undefined && solved && (
        <FigureRow
          label={`Current, ${solved.state.name.toLowerCase()}`}
          value={Math.abs(amps)}
          dimension="current"
          system={system}
        />
      )}
      {device.device.kind === 'inverter' && (
        <>
          {!followsVehicle(assessment.build) && (
            <FigureSetting build={assessment.build} figure="cruisePower" note="typed; Drive can compute it" />
          )}
          <FigureSetting build={assessment.build} figure="hardPower" note="limit set in the inverter" />
          <FigureSetting build={assessment.build} figure="hillPower" />
          <FigureSetting build={assessment.build} figure="regenerationPower" />
          {solved && <StatePower build={assessment.build} state={solved.state.id} />}
        </>
      )}
      {bus &&
        DRAWS.filter(([state]) => state !== 'charging' || hasTrait(device.device.kind, 'charges')).map(
          ([state, words]) => (
            <QuantityField
              key={state}
              label={words}
              value={device.device.powersW?.[state] ?? 0}
              dimension="power"
              system={system}
              onCommit={(powerW) => dispatch({ edit: 'setDevicePower', input: { deviceId: device.id, state, powerW } })}
            />
          ),
        )}
      {hasTrait(device.device.kind, 'leaks') && (
        <>
          <QuantityField
            label="Insulation leakage"
            value={device.device.insulationOhm ?? null}
            dimension="resistance"
            unit="MΩ"
            system={system}
            empty="not measured"
            onCommit={(insulationOhm) =>
              dispatch({ edit: 'setLeakage', input: { deviceId: device.id, insulationOhm } })
            }
            onClear={() => dispatch({ edit: 'setLeakage', input: { deviceId: device.id, insulationOhm: null } })}
          />
          <QuantityField
            label="Y capacitors"
            value={device.device.yCapacitanceF ?? null}
            dimension="capacitance"
            unit="µF"
            system={system}
            empty="not stated"
            onCommit={(yCapacitanceF) =>
              dispatch({ edit: 'setLeakage', input: { deviceId: device.id, yCapacitanceF } })
            }
            onClear={() => dispatch({ edit: 'setLeakage', input: { deviceId: device.id, yCapacitanceF: null } })}
          />
        </>
      )}
      {partOf(device, 'contactor')?.polarised && (
        <p className="mt-1 text-small">Blows its arc out one way: terminal a belongs on the side of the cells.</p>
      )}
      {device.part && (
        <p className="mt-1 text-note text-soft">
          Figures:{' '}
          {device.part.provenance === 'generic' ? 'generic part; your data sheet wins' : device.part.provenance}
        </p>
      )}
    </div>
  );
}

function PartFigures({ part, assessment }: { part: Part | null; assessment: Assessment }) {
  const system = assessment.build.units;
  if (!part) return null;
  switch (part.kind) {
    case 'fuse':
      return (
        <>
          <FigureRow label="DC voltage" value={part.ratedVoltageDcV} dimension="voltage" system={system} />
          <FigureRow
            label="Breaks from"
            value={part.minimumBreakingMultiple * part.ratedCurrentA}
            dimension="current"
            system={system}
          />
        </>
      );
    case 'contactor':
      return (
        <>
          <FigureRow label="Voltage" value={part.ratedVoltageV} dimension="voltage" system={system} />
          <FigureRow label="Makes" value={part.makeCurrentA} dimension="current" system={system} />
        </>
      );
    case 'resistor':
      return (
        <>
          <FigureRow label="One pulse" value={part.pulseEnergyJ} dimension="energy" system={system} />
          <FigureRow label="Rated power" value={part.ratedPowerW} dimension="power" system={system} />
        </>
      );
    case 'inverter':
    case 'bus-device':
      return (
        <>
          <div className="flex items-baseline justify-between border-b border-rule/70 py-1">
            <span className="text-soft">Works from … to</span>
            <span className="font-semibold">
              {formatQuantity({ value: part.window.workingMinV, dimension: 'voltage' }, system).text} …{' '}
              {formatQuantity({ value: part.window.workingMaxV, dimension: 'voltage' }, system).text}
            </span>
          </div>
          <FigureRow label="Link capacitance" value={part.linkCapacitanceF} dimension="capacitance" system={system} />
        </>
      );
    default:
      return null;
  }
}
