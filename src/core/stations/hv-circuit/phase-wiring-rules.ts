import { type End, type Id, PHASES } from '../../build';
import type { Finding } from '../../checks';
import { type PhaseNet, partOf, phaseNets, type ResolvedDevice, type Vehicle } from '../../vehicle';
import { deviceRef } from '../context';
import { defineRule } from '../define';

const letter = ({ terminal }: End): string => terminal.toUpperCase();

/** Direct current through two cables, of which one may come from the bus: its controller chops the other. */
const isSeries = (at: ResolvedDevice): boolean => partOf(at, 'motor')?.motorKind === 'series-dc';

const leadsTo = ({ phases }: PhaseNet, id: Id): boolean => phases.some(({ deviceId }) => deviceId === id);

/** Series motors, and what feeds them, that contacts reverse: their cables meet on purpose, and are not judged. */
export function reversed(vehicle: Vehicle, nets: readonly PhaseNet[] = phaseNets(vehicle)): ReadonlySet<Id> {
  const series = vehicle.devices.filter(isSeries).map(({ id }) => id);
  return new Set(
    nets
      .filter((net) => net.switched && net.strangerIds.length === 0 && series.some((id) => leadsTo(net, id)))
      .flatMap(({ phases }) => phases.map(({ deviceId }) => deviceId)),
  );
}

/** What the phases of one device must not meet, in words. */
function wrong(vehicle: Vehicle, at: ResolvedDevice, nets: readonly PhaseNet[]): string[] {
  const {
    id,
    device: { kind },
  } = at;
  const name = (other: Id) => vehicle.deviceOf.get(other)?.device.name ?? other;
  const fromBus = nets.filter((net) => net.strangerIds.length > 0 && leadsTo(net, id)).length;
  return nets.flatMap(({ phases, strangerIds }) => {
    const own = phases.filter(({ deviceId }) => deviceId === id);
    if (own.length === 0) return [];
    const here = own.map(letter).sort().join(' and ');
    const outputs = phases.filter(
      ({ deviceId }) => deviceId !== id && vehicle.deviceOf.get(deviceId)?.device.kind === 'inverter',
    );
    return [
      ...(own.length > 1 ? [`${here} are joined`] : []),
      ...(strangerIds.length > 0 && !(isSeries(at) && fromBus === 1 && outputs.length === 0)
        ? [`${here} meets ${strangerIds.map(name).join(', ')}`]
        : []),
      ...(kind === 'inverter' && outputs.length > 0
        ? [`${here} meets ${[...new Set(outputs.map(({ deviceId }) => name(deviceId)))].join(', ')}`]
        : []),
    ];
  });
}

/** What is still to be drawn for a device of which a phase is wired. */
function open(vehicle: Vehicle, at: ResolvedDevice, nets: readonly PhaseNet[]): string | null {
  const far = at.device.kind === 'motor' ? 'inverter' : 'motor';
  const own = ({ phases }: PhaseNet) => phases.filter(({ deviceId }) => deviceId === at.id);
  const led = new Set(
    nets
      .filter(({ phases }) => phases.some(({ deviceId }) => vehicle.deviceOf.get(deviceId)?.device.kind === far))
      .flatMap((net) => own(net).map(({ terminal }) => terminal)),
  );
  if (led.size === 0) return far === 'motor' ? 'the motor that its phases lead to' : 'the inverter that feeds it';
  if (at.device.kind !== 'motor') return null;
  if (isSeries(at)) return nets.filter((net) => leadsTo(net, at.id)).length < 2 ? 'its second cable' : null;
  const bare = [...PHASES].filter((phase) => !led.has(phase)).map((phase) => phase.toUpperCase());
  return bare.length > 0 ? `a cable to ${bare.join(' and ')}` : null;
}

/** Each phase to its motor and to nothing else. Motor cables that nobody drew are named as not judged. */
export const phaseWiring = defineRule({
  id: 'motor.phases',
  endangers: 'fire',
  says: {
    fails: 'A phase of {subject} leads where it must not',
    holds: '{subject}: each phase by itself',
    line: '{detail}',
    open: 'Phases of {subject}',
  },
  sources: [
    'Each output of an inverter is a pair of switches between both poles of the bus (textbook): joined with a pole, the body, another phase or another inverter it shorts the bus as soon as it switches',
  ],
  judge: ({ vehicle }) => {
    const nets = phaseNets(vehicle);
    const aside = reversed(vehicle, nets);
    return vehicle.devices.flatMap((at): Finding<'detail'>[] => {
      if (aside.has(at.id) || !nets.some((net) => leadsTo(net, at.id))) return [];
      const subject = deviceRef(at);
      const found = wrong(vehicle, at, nets);
      if (found.length > 0) return [{ subject, holds: false, figures: { detail: found.join('; ') } }];
      const what = open(vehicle, at, nets);
      if (what) return [{ subject, missing: [{ ref: subject, what }] }];
      return [{ subject, holds: true, figures: { detail: 'nothing else on any of them' } }];
    });
  },
  remedies: 'Land each phase on the motor’s terminal of its own and on nothing else.',
});
