import type { Device } from '../../build';
import type { Finding } from '../../checks';
import type { ResolvedDevice, Vehicle } from '../../vehicle';
import { deviceRef } from '../context';
import { defineRule, type Rule } from '../define';

const onTrailer = (vehicle: Vehicle): ResolvedDevice[] =>
  vehicle.devices.filter(({ device }) => device.kind === 'box' && device.trailer !== undefined);

const JOINING = 'either side can be at another voltage: what equals them out then flows through the pins as they touch';

const trailer = defineRule({
  id: 'pack.trailer',
  endangers: 'people',
  says: {
    fails: '{subject}: its plug or its cable can hurt',
    holds: '{subject}, on its trailer',
    line: '{detail}',
    open: '{subject}, on its trailer',
  },
  sources: [
    'Joined dead or watched, plug with a leading interlock contact, cable that bears bending, and a brake that the parting pulls (practice; UN R55 and R13 judge coupling and brake: a licensed person)',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] =>
    onTrailer(vehicle).map((box): Finding<'detail'> => {
      const subject = deviceRef(box);
      const { interlock, joined, flexes, breakAway } = box.device.trailer!;
      const missing = [
        ...(joined === undefined ? ['whether it is joined dead, watched or live'] : []),
        ...(interlock === undefined ? ['whether its plug opens the contactors before its power contacts part'] : []),
        ...(flexes === undefined ? ['whether its cable bears bending and hangs free'] : []),
        ...(breakAway === undefined ? ['what happens as the trailer tears off'] : []),
        ...(vehicle.build.duty.towedMassKg === undefined ? ['what the trailer weighs, in Survey: towed'] : []),
      ];
      const against = [
        ...(joined === 'live' ? [`it is joined live: ${JOINING}`] : []),
        ...(interlock === false ? ['its plug is drawn under load: an arc of direct current does not go out'] : []),
        ...(flexes === false ? ['its cable breaks strand by strand, or drags'] : []),
        ...(breakAway === false ? ['torn off it leaves a live end and rolls on'] : []),
      ];
      if (against.length > 0) return { subject, holds: false, figures: { detail: against.join('; ') } };
      if (missing.length > 0) return { subject, missing: missing.map((what) => ({ ref: subject, what })) };
      return { subject, holds: true, figures: { detail: `joined ${joined}, its plug and its cable are told` } };
    }),
  remedies:
    'A plug with a leading contact in the coil feed, contactors on the trailer, a cable of fine strands, a brake with a breakaway rope.',
});

const THROUGH: ReadonlySet<string> = new Set(['fuse', 'disconnect', 'sensor', 'precharge-resistor']);

/** Terminals that a pole of a box reaches without passing a contact that opens by itself on the trailer. */
function leavesLive(vehicle: Vehicle, box: ResolvedDevice, pole: 'plus' | 'minus'): boolean {
  const boxes = new Set(onTrailer(vehicle).map(({ id }) => id));
  const rides = ({ id, insideId }: Device) => boxes.has(id) || (insideId !== undefined && boxes.has(insideId));
  const seen = new Set([`${box.id}.${pole}`]);
  for (const node of seen) {
    for (const { conductor } of vehicle.conductors)
      for (const [from, to] of [
        [conductor.a, conductor.b],
        [conductor.b, conductor.a],
      ] as const) {
        if (`${from.deviceId}.${from.terminal}` !== node || to.deviceId === box.id) continue;
        const next = vehicle.deviceOf.get(to.deviceId)?.device;
        if (!next) continue;
        if (!rides(next)) return true;
        seen.add(`${next.id}.${to.terminal}`);
        // Another box of the trailer: its cells stand in the way, and let through.
        if (next.kind === 'box') for (const terminal of ['plus', 'minus']) seen.add(`${next.id}.${terminal}`);
        // A contactor is open once the plug is out; what stands in the way of the current else lets through.
        if (THROUGH.has(next.kind)) for (const terminal of ['a', 'b']) seen.add(`${next.id}.${terminal}`);
      }
  }
  return false;
}

const plug = defineRule({
  id: 'pack.trailer-plug',
  endangers: 'people',
  says: {
    fails: 'The plug of {subject} is live when it is drawn',
    holds: 'The plug of {subject} is dead when it is drawn',
    line: '{detail}',
  },
  sources: [
    'Pins that a hand reaches stand behind a contactor on the trailer: both poles above the limit of touch voltage, one below it. The wiring decides, not the name.',
  ],
  judge: ({ vehicle, rules, fullV }): Finding<'detail'>[] =>
    onTrailer(vehicle).map((box): Finding<'detail'> => {
      const live = (['plus', 'minus'] as const).filter((pole) => leavesLive(vehicle, box, pole));
      const dangerous = fullV === null || fullV > rules.classBDcV.value;
      return {
        subject: deviceRef(box),
        holds: dangerous ? live.length === 0 : live.length < 2,
        figures: {
          detail:
            live.length === 0
              ? 'contactors on the trailer open both poles'
              : `${live.join(' and ')} ${live.length > 1 ? 'leave' : 'leaves'} the trailer without a contactor on it`,
        },
      };
    }),
  remedies:
    'Put a contactor into each pole on the trailer (told as sitting in its box), fed through the leading contact of the plug.',
});

export const TRAILER_RULES: readonly Rule[] = [trailer, plug];
