import { applyEdit, type Build, type Conductor, type Device, type DeviceOf, type Edit } from '../src/core/build';
import { firn9, larkspur } from '../src/core/build/samples';
import type { Network } from '../src/core/circuit';
import { cataloguePart } from '../src/core/parts';

/** Edits of different reach, taken in turn: a speed, a cable, a fuse, a length, the closing level, a number of cells. */
export function editAt(step: number): Edit {
  const kinds: readonly (() => Edit)[] = [
    () => ({ edit: 'setFigure', input: { figure: 'cruiseSpeed', value: 22 + (step % 97) * 0.04 } }),
    () => ({
      edit: 'fitCable',
      input: {
        conductorIds: ['c-mid'],
        part: cataloguePart(step % 12 < 6 ? 'cable-shielded-50' : 'cable-shielded-70', 'cable'),
      },
    }),
    () => ({
      edit: 'fitPart',
      input: {
        deviceId: 'f-heater',
        part: cataloguePart(step % 12 < 6 ? 'fuse-traction-500-32' : 'fuse-traction-500-40', 'fuse'),
      },
    }),
    () => ({ edit: 'setConductor', input: { conductorId: 'c-minus', lengthM: 1 + (step % 89) / 100 } }),
    () => ({ edit: 'setFigure', input: { figure: 'closeAt', value: 0.95 + (step % 40) / 1000 } }),
    () => ({ edit: 'setCells', input: { deviceId: 'box-rear', cellsInSeries: 50 + (step % 5) } }),
  ];
  return kinds[step % kinds.length]!();
}

/** Firn 9 with heater branches added until the circuit has `conductors` conductors. */
export function largeBuild(conductors = 300): Build {
  let build = firn9('large');
  const devices: Record<string, Device> = { ...build.circuits.hv.devices };
  const list: Record<string, Conductor> = { ...build.circuits.hv.conductors };
  for (let k = 0; Object.keys(list).length < conductors; k++) {
    devices[`fuse-${k}`] = { ...devices['f-heater']!, id: `fuse-${k}`, name: `Fuse ${k}` };
    devices[`load-${k}`] = {
      ...(devices.heater as DeviceOf<'heater'>),
      id: `load-${k}`,
      name: `Load ${k}`,
      powersW: { cruise: 40 + k },
    };
    const copy = (id: string, from: string, a: Conductor['a'], b: Conductor['b']) => {
      list[`${id}-${k}`] = { ...list[from]!, id: `${id}-${k}`, a, b, lengthM: 0.2 + k / 100 };
    };
    copy('tap', 'c-heat-tap', { deviceId: 'j-plus', terminal: 'n' }, { deviceId: `fuse-${k}`, terminal: 'a' });
    copy('plus', 'c-heat-plus', { deviceId: `fuse-${k}`, terminal: 'b' }, { deviceId: `load-${k}`, terminal: 'plus' });
    copy('minus', 'c-heat-minus', { deviceId: `load-${k}`, terminal: 'minus' }, { deviceId: 'j-minus', terminal: 'n' });
  }
  build = { ...build, circuits: { ...build.circuits, hv: { devices, conductors: list } } };
  return applyEdit(build, { edit: 'renameBuild', input: { name: 'Three hundred' } }).build;
}

/** Larkspur with its first year ten times over: about a thousand entries. */
export function tenYears(): Build {
  const build = larkspur('ten-years');
  const first = Object.values(build.logbook!.entries!);
  const entries = Array.from({ length: 10 }, (_, year) =>
    first.map((entry) => ({
      ...entry,
      id: `${entry.id}-${year}`,
      date: `${Number(entry.date.slice(0, 4)) + year}${entry.date.slice(4)}`,
      ...(entry.odometerM === undefined ? {} : { odometerM: entry.odometerM + year * 11e6 }),
    })),
  ).flat();
  return { ...build, logbook: { ...build.logbook, entries: Object.fromEntries(entries.map((one) => [one.id, one])) } };
}

export const PRECHARGE = {
  packV: 378,
  packOhm: 0.15,
  resistorOhm: 100,
  capacitanceF: 0.0011,
  secondF: 0.00023,
  betweenOhm: 0.02,
  bleedOhm: 22000,
  stopS: 0.8,
} as const;

/** The same precharge circuit for our solver … */
export function prechargeNetwork(): Network {
  const p = PRECHARGE;
  return {
    ground: '0',
    elements: [
      { id: 'V', kind: 'source', a: 'p', b: '0', voltageV: p.packV, resistanceOhm: p.packOhm },
      { id: 'R', kind: 'resistor', a: 'p', b: 'q', resistanceOhm: p.resistorOhm },
      { id: 'C1', kind: 'capacitor', a: 'q', b: '0', capacitanceF: p.capacitanceF },
      { id: 'W', kind: 'resistor', a: 'q', b: 'r', resistanceOhm: p.betweenOhm },
      { id: 'C2', kind: 'capacitor', a: 'r', b: '0', capacitanceF: p.secondF },
      { id: 'B', kind: 'resistor', a: 'q', b: '0', resistanceOhm: p.bleedOhm },
    ],
  };
}

/** … and as text for an independent circuit simulator. */
export function prechargeSpice(): string {
  const p = PRECHARGE;
  return `* precharge
V1 s 0 ${p.packV}
Rp s p ${p.packOhm}
R1 p q ${p.resistorOhm}
C1 q 0 ${p.capacitanceF} IC=0
Rw q r ${p.betweenOhm}
C2 r 0 ${p.secondF} IC=0
Rb q 0 ${p.bleedOhm}
.options reltol=1e-5
.tran ${p.stopS / 2000} ${p.stopS} 0 ${p.stopS / 2000} UIC
.control
run
meas tran t95 WHEN v(q)=${0.95 * p.packV} RISE=1
meas tran vend FIND v(q) AT=${p.stopS}
meas tran i0 FIND i(V1) AT=${p.stopS / 2000}
quit
.endc
.end
`;
}

/** A build with signal wires added until its harness has `count` wires. */
export function withWires(build: Build, count: number): Build {
  const { harness } = build;
  const [model] = Object.values(harness!.wires!);
  const cables = [build.circuits.hv, build.circuits.lv].flatMap(({ conductors }) =>
    Object.values(conductors).filter(({ kind }) => kind === 'cable'),
  ).length;
  const more = count - cables - Object.keys(harness!.wires!).length;
  const wires = Array.from({ length: Math.max(0, more) }, (_, k) => {
    const id = `more-${k}`;
    return [id, { ...model!, id, name: `Signal ${k}`, signal: 'other' as const }] as const;
  });
  return { ...build, harness: { ...harness, wires: { ...harness!.wires, ...Object.fromEntries(wires) } } };
}
