import { findConductor, findDevice, own } from '../../build';
import { type Finding, quantityText as q, type Ref } from '../../checks';
import { plugsOf } from '../../vehicle';
import { defineRule } from '../define';
import { count, hasHarness, hostRef, some, WIRING_REF } from './shared';

const pins = defineRule({
  id: 'harness.pins',
  endangers: 'parts',
  says: {
    fails: '{subject}: its pins do not go up',
    holds: 'Each pin holds one wire',
    line: '{detail}',
    open: 'Pins',
  },
  sources: ['One crimp a pin; a second wire is spliced in before it (engineering practice)'],
  judge: (context): Finding<'detail'>[] => {
    if (!hasHarness(context)) return [];
    const plugs = plugsOf(context.vehicle);
    const wrong = plugs.flatMap(({ id, host, clashes, beyond, ways }): Finding<'detail'>[] => {
      if (clashes.length + beyond.length === 0) return [];
      const twice = clashes.map(
        ({ no, wires }) => `pin ${no} holds ${wires.map(({ wire }) => wire.label).join(' and ')}`,
      );
      const over = beyond.map(({ no }) => `pin ${no} of a connector with ${ways} ways`);
      return [
        { subject: hostRef(context, id, host.name), holds: false, figures: { detail: some([...twice, ...over]) } },
      ];
    });
    return wrong.length > 0
      ? wrong
      : [{ subject: WIRING_REF, holds: true, figures: { detail: count(plugs.length, 'connector') } }];
  },
  remedies: 'Give the wire a pin that is free, or a connector with more ways.',
});

const alike = defineRule({
  id: 'harness.alike',
  endangers: 'parts',
  says: {
    fails: '{subject} fits where another belongs',
    holds: '{subject} fits nowhere else nearby',
    line: '{detail}',
    open: '{subject}: whether it is keyed',
  },
  sources: [
    'Neighbouring connectors are keyed, of different ways, or too short to reach each other (engineering practice)',
  ],
  judge: (context): Finding<'detail'>[] => {
    const told = plugsOf(context.vehicle).filter(({ ways, host }) => ways !== null && host.zoneId !== null);
    return told.flatMap((plug): Finding<'detail'>[] => {
      const like = told.filter(
        ({ id, ways, host }) => id !== plug.id && ways === plug.ways && host.zoneId === plug.host.zoneId,
      );
      if (like.length === 0) return [];
      const subject = hostRef(context, plug.id, plug.host.name);
      const detail = `${plug.ways} ways like ${some(like.map(({ host }) => host.name))}, ${plug.place}`;
      if (plug.keyed === null)
        return [
          {
            subject,
            figures: { detail },
            missing: [{ ref: subject, what: `whether its connector is keyed: ${detail}` }],
          },
        ];
      return [{ subject, holds: plug.keyed, figures: { detail } }];
    });
  },
  remedies: 'Keying, another number of ways, or leads that are too short for each other.',
});

/** Of an HV cable or plug that was opened; good cables have thousands of times that, Ω. */
const WET_OHM = 1e8;

const looks = defineRule({
  id: 'harness.looks',
  endangers: 'people',
  says: {
    fails: '{subject}: what was found inside has to be made new',
    holds: '{subject} was opened and is dry and clean',
    line: '{detail}',
    open: '{subject}',
  },
  sources: ['Green or black strands, a wet shield, water or insulation under 100 MΩ: rejected (engineering practice)'],
  judge: (context): Finding<'detail'>[] =>
    Object.values(context.vehicle.build.harness?.looks ?? {}).map((look): Finding<'detail'> => {
      const { build } = context.vehicle;
      const known =
        findDevice(build, look.subjectId) ??
        findConductor(build, look.subjectId) ??
        own(build.harness?.fittings ?? {}, look.subjectId);
      const subject: Ref = {
        kind: findDevice(build, look.subjectId)
          ? 'device'
          : findConductor(build, look.subjectId)
            ? 'conductor'
            : 'build',
        id: look.id,
        name: `${look.what || 'connector'}, ${known?.name ?? 'of a thing that is gone'}`,
      };
      const traction =
        own(build.circuits.hv.devices, look.subjectId) !== undefined ||
        own(build.circuits.hv.conductors, look.subjectId) !== undefined;
      const wet = look.insulationOhm !== null && look.insulationOhm < WET_OHM;
      const found = [
        ...(look.water ? ['water'] : []),
        ...(look.corrosion ? ['green or black strands'] : []),
        ...(look.wetScreen ? ['wet shield'] : []),
        ...(wet ? [`insulation ${q(look.insulationOhm!, 'resistance')}, less than ${q(WET_OHM, 'resistance')}`] : []),
      ];
      if (found.length === 0 && traction && look.insulationOhm === null)
        return {
          subject: { ...subject, kind: 'build' },
          missing: [
            { ref: { ...subject, kind: 'build' }, what: 'its insulation, measured: what looks dry need not be' },
          ],
        };
      const detail = `${look.date}: ${found.length > 0 ? found.join(', ') : 'dry and clean'}${look.renewed ? '; made new' : ''}`;
      return {
        subject: { ...subject, kind: 'build' },
        holds: found.length === 0 || look.renewed === true,
        figures: { detail },
      };
    }),
  remedies: 'Cut back to clean strands or put in a new cable and plug, then write down that it was made new.',
});

const oldEnds = defineRule({
  id: 'harness.old-ends',
  endangers: 'fire',
  work: true,
  says: {
    fails: '{subject} of the old loom hangs as it was found',
    holds: 'The old loom has no loose end',
    line: '{detail}',
    open: 'Old loom',
  },
  variants: {
    stays: {
      fails: '{subject} is to come out with its branch and is still in',
      holds: 'The old loom has no loose end',
      line: '{detail}',
      open: 'Old loom',
    },
  },
  sources: ['An old end that nobody labelled may still be fed'],
  judge: (context): Finding<'detail', 'stays'>[] => {
    const { build } = context.vehicle;
    const ends = Object.values(build.harness?.oldEnds ?? {});
    if (ends.length === 0) return [];
    const branch = (id: string) => own(build.oldParts ?? {}, id);
    const loose = ends.filter(({ state }) => state === 'found');
    const stripped = ends.filter(
      ({ branchId, state }) => branch(branchId)?.fate === 'strip' && state !== 'removed' && state !== 'found',
    );
    const wrong = [
      ...loose.map(
        ({ id, label, branchId }): Finding<'detail', 'stays'> => ({
          subject: { kind: 'build', id, name: label },
          holds: false,
          figures: {
            detail: `${branch(branchId)?.name ?? 'branch not entered'}: neither labelled, parked, landed nor out`,
          },
        }),
      ),
      ...stripped.map(
        ({ id, label, branchId, state }): Finding<'detail', 'stays'> => ({
          subject: { kind: 'build', id, name: label },
          holds: false,
          variant: 'stays',
          figures: { detail: `${branch(branchId)!.name} is to come out, and this end is ${state}` },
        }),
      ),
    ];
    return wrong.length > 0
      ? wrong
      : [{ subject: WIRING_REF, holds: true, figures: { detail: count(ends.length, 'end') } }];
  },
  remedies: 'Measure it, label it, park or land it, or take it out; then tick it.',
});

export const PLUG_RULES = [pins, alike, looks, oldEnds] as const;
