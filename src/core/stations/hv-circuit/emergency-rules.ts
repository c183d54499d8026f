import type { Device, DeviceKind } from '../../build';
import type { Finding, Ref } from '../../checks';
import * as propose from '../../proposals';
import { allBut, coverage, HANDLES, heldWith, singleFailures, stillFed } from '../../simulate';
import {
  type CoilCircuit,
  closedIn,
  coilCircuit,
  partOf,
  type ResolvedDevice,
  stateOf,
  type Vehicle,
} from '../../vehicle';
import { deviceRef, fromRules } from '../context';
import { defineRule, type Rule } from '../define';
import { COILS, NEEDS_COILS } from './coil-rules';

const STOP: Ref = { kind: 'build', id: 'emergency-stop', name: 'Emergency stop' };

const nameOf = (vehicle: Vehicle, id: string): string => vehicle.deviceOf.get(id)?.device.name ?? id;
const names = (vehicle: Vehicle, ids: readonly string[]): string => ids.map((id) => nameOf(vehicle, id)).join(', ');

/** Contactors that driving closes and whose coils are in no circuit: something feeds them, and nobody knows what stops it. */
function unknownCoils(vehicle: Vehicle, circuit: CoilCircuit, subject: Ref): Finding | null {
  const asked = closedIn(vehicle, stateOf('cruise'));
  const missing = circuit.unwired.filter(({ id }) => asked.has(id));
  return missing.length > 0
    ? { subject, missing: missing.map((device) => ({ ref: deviceRef(device), what: 'coil circuit' })) }
    : null;
}

/** Disconnects that may be pulled under load and take every inverter off the cells. */
function pulls(vehicle: Vehicle, safeV: number): ResolvedDevice[] {
  // Every one of them: what drives on is not stopped.
  const wiresOf = vehicle.devices.flatMap(({ id, device }) =>
    device.kind === 'inverter'
      ? [
          vehicle.conductors.filter(({ conductor }) =>
            [conductor.a, conductor.b].some(
              ({ deviceId, terminal }) => deviceId === id && (terminal === 'plus' || terminal === 'minus'),
            ),
          ),
        ]
      : [],
  );
  const covered = coverage(vehicle, safeV);
  return vehicle.devices.filter((device) => {
    if (device.device.kind !== 'disconnect' || partOf(device, 'disconnect')?.breaksLoad !== true) return false;
    const off = covered.find(({ deviceId }) => deviceId === device.id)?.takenOff ?? [];
    return wiresOf.length > 0 && wiresOf.every((wires) => wires.some(({ id }) => off.includes(id)));
  });
}

const emergencyStop = defineRule({
  id: 'emergency.stop',
  endangers: 'people',
  says: {
    fails: 'The emergency stop does not stop it',
    holds: 'The emergency stop stops it',
    line: '{detail}',
    open: 'Emergency stop',
  },
  sources: [
    'The kind of emergency stop that the build chose',
    'By wire: the handle stands in the feed of every coil that driving needs; by pull: a disconnect that breaks load takes the inverter off',
  ],
  judge: ({ vehicle, rules }) => {
    if (!vehicle.devices.some(({ device }) => device.kind === 'contactor')) return [];
    const { emergencyStop: school } = vehicle.build.schools;
    const judged: { readonly ok: boolean; readonly detail: string }[] = [];
    if (school !== 'mechanical') {
      const circuit = coilCircuit(vehicle);
      if (!circuit || circuit.wired.length === 0) return [{ ...NEEDS_COILS, subject: STOP }];
      const unknown = unknownCoils(vehicle, circuit, STOP);
      if (unknown) return [unknown];
      judged.push(byWire(vehicle, circuit));
    }
    if (school !== 'electrical') judged.push(byPull(vehicle, rules.classBDcV.value));
    const bad = judged.filter(({ ok }) => !ok);
    return [
      {
        subject: STOP,
        holds: bad.length === 0,
        figures: { detail: (bad.length > 0 ? bad : judged).map(({ detail }) => detail).join('; ') },
      },
    ];
  },
  remedies: [propose.putIn(['emergency-stop'], 'feed'), propose.breaksLoad],
});

/** Fitted, but in no coil's feed: pressing or opening it does nothing. */
const idle = (vehicle: Vehicle, circuit: CoilCircuit, is: (kind: DeviceKind) => boolean): readonly Device[] =>
  Object.values(vehicle.build.circuits.lv.devices).filter(
    ({ id, kind }) => is(kind) && !circuit.stops.some((stop) => stop.id === id),
  );
const saysIdle = ({ name }: Device): string => `${name}: in no coil’s feed`;

/** Each handle by itself lets every coil go that driving needs. */
function byWire(vehicle: Vehicle, circuit: CoilCircuit): { ok: boolean; detail: string } {
  const handles = circuit.stops.filter(({ device }) => HANDLES.has(device.kind));
  if (handles.length === 0) return { ok: false, detail: 'no handle stands in the feed of the coils' };
  const held = [
    ...idle(vehicle, circuit, (kind) => HANDLES.has(kind)).map(saysIdle),
    ...handles.flatMap(({ id, device }) => {
      const ids = heldWith(vehicle, [id]);
      return ids.length > 0 ? [`${device.name} leaves ${names(vehicle, ids)} closed`] : [];
    }),
  ];
  return held.length > 0
    ? { ok: false, detail: held.join('; ') }
    : { ok: true, detail: 'its handle lets every coil go' };
}

/** Some disconnect may be pulled under load and takes the inverter off the cells. */
function byPull(vehicle: Vehicle, safeV: number): { ok: boolean; detail: string } {
  const pull = pulls(vehicle, safeV)[0];
  if (pull) return { ok: true, detail: `${pull.device.name} breaks load and takes the inverter off the cells` };
  return {
    ok: false,
    detail: vehicle.devices.some(({ device }) => device.kind === 'disconnect')
      ? 'no disconnect may be pulled under load and takes the inverter off'
      : 'there is no disconnect to pull',
  };
}

const disconnectInterlock = defineRule({
  id: 'disconnect.interlock',
  endangers: 'people',
  says: {
    fails: '{subject} can be pulled under load',
    holds: '{subject} opens without load',
    line: '{detail}',
    open: '{subject} interlock',
  },
  sources: [
    'A disconnect that may not break load opens after the contactors: its auxiliary contact stands in their coils’ feed',
  ],
  judge: ({ vehicle }) => {
    const circuit = coilCircuit(vehicle);
    return vehicle.devices
      .filter((device) => device.device.kind === 'disconnect' && partOf(device, 'disconnect')?.breaksLoad === false)
      .flatMap((device): Finding<'detail'>[] => {
        const subject = deviceRef(device);
        if (!circuit || circuit.wired.length === 0) return [{ ...NEEDS_COILS, subject }];
        const unknown = unknownCoils(vehicle, circuit, subject);
        if (unknown) return [unknown];
        const joined = circuit.stops.some(({ id }) => id === device.id);
        const held = joined ? heldWith(vehicle, [device.id]) : [];
        return [
          {
            subject,
            holds: joined && held.length === 0,
            figures: {
              detail: !joined
                ? 'its auxiliary contact is in no coil’s feed'
                : held.length === 0
                  ? 'pulling it drops every contactor first'
                  : `${names(vehicle, held)} stays closed`,
            },
          },
        ];
      });
  },
  remedies: [propose.auxiliary, propose.breaksLoad],
});

const LOOP_WORDS = {
  'inertia-switch': 'an inertia switch',
  'interlock-contact': 'the interlock contacts of lids and connectors',
} as const;

const loop = defineRule({
  id: 'emergency.loop',
  endangers: 'people',
  says: {
    fails: 'A crash or an open lid leaves it live',
    holds: 'A crash or an open lid switches off',
    line: '{detail}',
  },
  sources: [
    'By wire and above class A: a crash and an opened lid or plug let every coil go (practice; ISO 6469-3, UN R100 intent)',
  ],
  sourcesIn: fromRules('classBDcV'),
  judge: ({ vehicle, fullV, rules }) => {
    if (fullV === null) return [];
    const circuit = coilCircuit(vehicle);
    const asked = fullV > rules.classBDcV.value && vehicle.build.schools.emergencyStop !== 'mechanical';
    // A handle beside a stop that is pulled by hand is judged here: there its own rule looks at the pull alone.
    const counts = (kind: DeviceKind) =>
      Object.hasOwn(LOOP_WORDS, kind) || (HANDLES.has(kind) && vehicle.build.schools.emergencyStop === 'mechanical');
    const fitted = (circuit?.stops ?? []).filter(({ device }) => counts(device.kind));
    // A lid contact that nobody asks for may be there for something else.
    const unused = circuit
      ? idle(vehicle, circuit, (kind) => counts(kind) && (asked || kind !== 'interlock-contact'))
      : [];
    // Where none is asked for, one that is fitted is relied on all the same.
    if (!asked && fitted.length === 0 && unused.length === 0) return [];
    if (!circuit || circuit.wired.length === 0) return asked ? [NEEDS_COILS] : [];
    const unknown = unknownCoils(vehicle, circuit, COILS);
    if (unknown) return [unknown];
    const all = heldWith(vehicle, []);
    const faults = [
      ...(Object.keys(LOOP_WORDS) as (keyof typeof LOOP_WORDS)[]).flatMap((kind) =>
        asked && ![...fitted.map(({ device }) => device), ...unused].some((one) => one.kind === kind)
          ? [`${LOOP_WORDS[kind]} is missing`]
          : [],
      ),
      ...unused.map(saysIdle),
      ...fitted.flatMap(({ id, device }) => {
        const held = heldWith(vehicle, [id]);
        if (held.length === 0) return [];
        // A crash or a handle leaves nothing closed; a lid may be there for what lies behind it alone.
        const wrong = asked || device.kind !== 'interlock-contact' || held.length === all.length;
        return wrong ? [`${device.name} leaves ${names(vehicle, held)} closed`] : [];
      }),
    ];
    return [
      {
        subject: COILS,
        holds: faults.length === 0,
        figures: {
          detail:
            faults.length > 0
              ? faults.join('; ')
              : asked
                ? 'a crash, a lid and a plug let every coil go'
                : fitted
                    .map(
                      ({ device }) =>
                        `${device.name}: ${device.kind === 'interlock-contact' ? 'coils' : 'every coil'} let go`,
                    )
                    .join('; '),
        },
      },
    ];
  },
  remedies: [propose.putIn(['inertia-switch', 'interlock-contact'], 'feed')],
});

const singleFailure = defineRule({
  id: 'emergency.single-failure',
  endangers: 'people',
  says: {
    fails: 'One failure defeats the emergency stop',
    holds: 'The emergency stop survives one failure',
    line: '{detail}',
  },
  sources: [
    'With the handle pressed and any one contact bridged or any one wire touching the supply, one pole opens or a pull that breaks load is at hand (engineering judgement, after the intent of ISO 26262 and ISO 13850)',
  ],
  judge: ({ vehicle, fullV, rules }) => {
    const { emergencyStop: school } = vehicle.build.schools;
    const circuit = coilCircuit(vehicle);
    if (school === 'mechanical' || !circuit || !circuit.stops.some(({ device }) => HANDLES.has(device.kind))) return [];
    const unknown = unknownCoils(vehicle, circuit, STOP);
    if (unknown) return [unknown];
    // Held in is a contactor; dangerous is what is still fed through those that are held in together.
    const safeV = rules.classBDcV.value;
    const aboveV = fullV !== null && fullV > safeV ? safeV : 0;
    const bad = singleFailures(vehicle).filter(
      ({ staysIn }) => stillFed(vehicle, allBut(vehicle, staysIn), aboveV).length > 0,
    );
    const nameIn = (id: string) =>
      circuit.lv.conductorOf.get(id)?.conductor.name ?? circuit.lv.deviceOf.get(id)?.device.name ?? nameOf(vehicle, id);
    const pull = bad.length > 0 ? pulls(vehicle, safeV)[0] : undefined;
    const first = bad[0];
    const story = first
      ? `${nameIn(first.id)} ${first.kind === 'bridged' ? 'bridged' : 'touching the supply'} keeps the pack connected${bad.length > 1 ? `, and ${bad.length - 1} more such failures` : ''}`
      : 'no single failure keeps the pack connected';
    return [
      {
        subject: STOP,
        holds: bad.length === 0 || pull !== undefined,
        figures: { detail: pull ? `${story}; ${pull.device.name} is left to pull` : story },
      },
    ];
  },
  remedies: [propose.putIn(['emergency-stop'], 'return', ', second contact'), propose.breaksLoad],
});

export const EMERGENCY_RULES: readonly Rule[] = [emergencyStop, disconnectInterlock, loop, singleFailure];
