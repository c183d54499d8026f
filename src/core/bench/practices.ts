import { coilFeed } from '../simulate';
import { contactorSorts, MAIN, MINUS, PRECHARGE } from '../simulate/sequence';
import { coilCircuit, type Vehicle, wayOf } from '../vehicle';
import type { BoardFault, Practice } from './board-faults';

const ofSort = (vehicle: Vehicle, sort: number): readonly string[] =>
  [...contactorSorts(vehicle)].flatMap(([id, one]) => (one === sort ? [id] : []));

/** Faults that this build can have, each a changed part or joint of it. */
export function practices(vehicle: Vehicle): readonly Practice[] {
  const list: Practice[] = [];
  const put = (id: string, name: string, fault: Omit<BoardFault, 'id'>, hints: readonly string[], explained: string) =>
    void list.push({ fault: { id, ...fault }, name, hints, explained });
  const kindIds = (kind: string) => vehicle.devices.filter(({ device }) => device.kind === kind).map(({ id }) => id);
  const [main, minus, relay] = [MAIN, MINUS, PRECHARGE].map((sort) => ofSort(vehicle, sort));
  const resistor = kindIds('precharge-resistor')[0];
  const inverter = vehicle.devices.find(({ device }) => device.kind === 'inverter');
  /** In the way from the cells to the inverter, by the wiring. */
  const inTheWay = (inverter && wayOf(vehicle, inverter)?.seriesIds) ?? [];
  const mainFuse = inTheWay.find((id) => vehicle.deviceOf.get(id)?.device.kind === 'fuse');
  const disconnect = kindIds('disconnect').find((id) => inTheWay.includes(id));
  const coils = coilCircuit(vehicle);
  /** The last wire before a contactor’s coil: a broken one takes this coil alone. */
  const coilWire = (id: string | undefined): readonly string[] => {
    const feed = id && coils ? coilFeed(coils, id) : null;
    const wire = feed?.filter((one) => coils!.lv.conductorOf.has(one)).at(-1);
    return wire ? [wire] : [];
  };
  if (resistor) {
    put(
      'resistor-open',
      'Precharge resistor open',
      { sequence: 'resistor-open', openHv: [resistor] },
      ['Watch the link as the relay clicks.', 'The relay clicks and the link stays at nothing: what lies between?'],
      'Nothing flows through a broken resistor: the link stays dead and the time-out ends it.',
    );
    put(
      'link-loaded',
      'A load on the link stays awake',
      { sequence: 'link-loaded', linkLoadOhm: 300 },
      ['Watch where the link stops rising.', 'It settles low: something takes what the resistor gives.'],
      'Resistor and load share the pack’s voltage; the link settles below the closing level.',
    );
    put(
      'link-larger',
      'Capacitor larger than stated',
      { linkTimes: 3 },
      ['Time the rise.', 'It rises as it should, and takes three times as long.'],
      'τ = R·C: a capacitor three times as large takes three times as long; the time-out may end it.',
    );
    put(
      'link-missing',
      'Capacitor missing',
      { linkTimes: 0.02 },
      ['Time the rise.', 'It is there at once.'],
      'Without its capacitor the link follows the resistor at once: the inverter’s own ripple has nowhere to go.',
    );
  }
  if (relay![0]) {
    const openLv = coilWire(relay![0]);
    if (openLv.length > 0)
      put(
        'relay-open',
        'Wire of the precharge relay broken',
        { openLv },
        ['Listen: what clicks?', 'The relay stays silent: read the volts at its coil.'],
        'Without its coil the relay never closes: the link stays dead.',
      );
  }
  if (main![0])
    put(
      'main-welded',
      'Main contactor welded',
      { sequence: 'main-welded', welded: [main![0]!] },
      ['Read the link before and after the key.', 'With the key off: is there a pole that should be open?'],
      'A welded contact stays closed whatever its coil says. It has to be found before the other pole closes onto an empty link.',
    );
  if (minus![0]) {
    const openLv = coilWire(minus![0]);
    if (openLv.length > 0)
      put(
        'minus-open',
        'Coil wire of the minus contactor broken',
        { openLv },
        ['Listen: what clicks first?', 'The precharge relay clicks, the link stays dead: is the other pole joined?'],
        'With one pole open no current finds its way, the resistor included.',
      );
  }
  put(
    'weak-supply',
    '12-volt battery weak under load',
    { supplyV: 6.4 },
    ['Read the volts at a coil while it should be in.', 'Below what a coil needs to pull in.'],
    'Contactors need about three quarters of their rated voltage to close.',
  );
  if (mainFuse)
    put(
      'fuse-open',
      'Main fuse blown',
      { openHv: [mainFuse] },
      ['Follow the volts from the cells outwards.', 'Volts before it and none behind it.'],
      'A fuse that has opened looks like a dead pack; it is read across, not by its look.',
    );
  if (disconnect)
    put(
      'disconnect-out',
      'Service disconnect not home',
      { openHv: [disconnect] },
      ['Which parts of the row are joined?', 'Read across the disconnect itself.'],
      'A plug that is in but not home parts the row.',
    );
  const cruise = vehicle.conductors.find(
    ({ conductor }) =>
      conductor.kind === 'cable' && (conductor.a.deviceId === inverter?.id || conductor.b.deviceId === inverter?.id),
  );
  if (cruise)
    put(
      'lug',
      'High-resistance lug',
      { addOhm: { id: cruise.id, ohm: 0.08 } },
      ['Drive, and read along the cable under load.', 'Several volts across one cable.'],
      '80 mΩ at a hundred amperes are eight volts and eight hundred watts in one lug.',
    );
  put(
    'leak-plus',
    'Chassis fault on plus',
    { leak: { pole: 'plus', ohm: 20_000 } },
    ['Read each pole to the body.', 'Minus to body reads nearly all of it.'],
    'The pole that leaks stands near the body; the other one shows the pack’s voltage against it.',
  );
  put(
    'leak-minus',
    'Chassis fault on minus',
    { leak: { pole: 'minus', ohm: 20_000 } },
    ['Read each pole to the body.', 'Plus to body reads nearly all of it.'],
    'The pole that leaks stands near the body; the other one shows the pack’s voltage against it.',
  );
  put(
    'pedal-open',
    'Pedal track open',
    { sequence: 'pedal-open' },
    ['Read both tracks at both ends of the pedal.', 'One track stays at nothing.'],
    'A broken wire reads nothing: a control that looks at the window gives no torque.',
  );
  put(
    'pedal-high',
    'Pedal track reads high',
    { sequence: 'pedal-high' },
    ['Read both tracks with the pedal at rest.', 'One track says pressed down, the other at rest.'],
    'Two tracks that differ: a control that compares them gives no torque.',
  );
  put(
    'brake-on',
    'Brake switch sticks on',
    { sequence: 'brake-on' },
    ['Read both contacts with the pedal let go.', 'They should never both say the same.'],
    'One contact sticks; the second shows it.',
  );
  put(
    'forward-on',
    'Direction switch says both',
    { sequence: 'forward-on' },
    ['Lever to reverse: read both contacts.', 'Both have volts.'],
    'Forward sticks on: with the lever in reverse both are on, and that has to count as neutral.',
  );
  put(
    'sensor-short',
    'Sensors’ 5 V shorted',
    { sensorV: 0.3, sequence: 'pedal-open' },
    ['Read the supply of the sensors.', 'Everything that lives on it reads low at once.'],
    'One shorted sensor takes the supply of all.',
  );
  if (vehicle.devices.some(({ device }) => device.plug?.seenBy === 'proximity'))
    put(
      'proximity-open',
      'Proximity wire open',
      { sequence: 'proximity-open' },
      ['Read the proximity line without a plug, then with one.', '5.0 V instead of 4.5 V: nothing hangs on it.'],
      'Open it reads the supply; unplugged it reads 4.5 V. A control that takes both for unplugged lets it drive on the cable.',
    );
  put(
    'terminator-missing',
    'Terminator missing',
    { terminators: 1 },
    ['Key off: ohms across the CAN bus.', '120 Ω.'],
    'Two of 120 Ω side by side read 60; one alone reads 120.',
  );
  put(
    'terminator-third',
    'Third terminator',
    { terminators: 3 },
    ['Key off: ohms across the CAN bus.', '40 Ω.'],
    'Three of 120 Ω side by side read 40.',
  );
  put(
    'can-short',
    'CAN bus: high and low joined',
    { canShort: true },
    ['Ohms across the CAN bus, then volts.', 'Next to nothing.'],
    'Joined wires carry no difference: nobody hears anybody.',
  );
  put(
    'no-converter',
    'Converter not enabled',
    { noConverter: true },
    ['Read 12 V before and after ready.', 'It does not rise.'],
    'A converter that gives nothing leaves the battery alone: 12.6 V instead of 13.8 V.',
  );
  return list;
}

/** The fault that a seed hides: the same seed, the same fault. */
export function hiddenBy(list: readonly Practice[], seed: number): Practice | null {
  if (list.length === 0) return null;
  // One round of a linear congruential generator (Numerical Recipes).
  const mixed = (Math.imul(seed >>> 0, 1664525) + 1013904223) >>> 0;
  return list[mixed % list.length]!;
}
