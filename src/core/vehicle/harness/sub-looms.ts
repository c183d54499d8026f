import { type Build, findDevice, type Id, own, type WireSignal } from '../../build';

/** Sub-harnesses that can be made on the bench and landed later. */
export const SUB_LOOMS = [
  'Battery and management',
  'Motor and inverter',
  'Charger and converter',
  'Pedals',
  'Dash',
  'Contactors and safety loop',
  'Body, 12 V',
] as const;

interface Raw {
  readonly circuit: 'hv' | 'lv' | 'signal';
  readonly signal: WireSignal | null;
  readonly a: { readonly hostId: Id };
  readonly b: { readonly hostId: Id };
}

function ofHost(build: Build, id: Id): (typeof SUB_LOOMS)[number] | null {
  const device = findDevice(build, id);
  if (device) {
    const { kind, load } = device;
    if (kind === 'charger' || kind === 'charger-converter' || kind === 'converter') return 'Charger and converter';
    if (kind === 'inverter' || kind === 'motor') return 'Motor and inverter';
    if (kind === 'box' || load?.job === 'bms') return 'Battery and management';
    if (kind === 'contactor' || kind === 'emergency-stop' || kind === 'inertia-switch' || kind === 'interlock-contact')
      return 'Contactors and safety loop';
    return null;
  }
  const kind = own(build.harness?.fittings ?? {}, id)?.kind;
  if (kind === 'pedal' || kind === 'brake-switch') return 'Pedals';
  if (kind === 'selector' || kind === 'dash-switch' || kind === 'gauge') return 'Dash';
  if (kind === 'socket') return 'Charger and converter';
  return null;
}

/** The sub-harness that a wire belongs to, by what it leads to; the first of the list where its ends differ. */
export function loomByRule(build: Build, { circuit, signal, a, b }: Raw): string {
  const found = [a, b].map(({ hostId }) => ofHost(build, hostId)).filter((loom) => loom !== null);
  if (signal === 'pedal' || signal === 'brake') return 'Pedals';
  const first = SUB_LOOMS.find((loom) => found.includes(loom));
  return first ?? (circuit === 'hv' ? 'Battery and management' : 'Body, 12 V');
}
