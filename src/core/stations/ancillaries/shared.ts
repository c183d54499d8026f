import type { Ancillary, AncillaryFlag, LoadJob } from '../../build';
import type { Finding, Ref } from '../../checks';
import { type LowLoad, lowVoltage, type Vehicle } from '../../vehicle';
import { defineRule, type Rule } from '../define';

export const BRAKES_REF: Ref = { kind: 'build', id: 'brakes', name: 'Brakes' };
export const STEERING_REF: Ref = { kind: 'build', id: 'steering', name: 'Steering' };
export const HEATING_REF: Ref = { kind: 'build', id: 'heating', name: 'Heating' };
export const COOLING_REF: Ref = { kind: 'build', id: 'cooling', name: 'Cooling' };

/** Part of a system, with a name of its own in the ledger. */
export const partOfSystem = (ref: Ref, id: string, name: string): Ref => ({ ...ref, id: `${ref.id}-${id}`, name });

export const asks = (subject: Ref, ...what: readonly string[]): Finding => ({
  subject,
  missing: what.map((one) => ({ ref: subject, what: one })),
});

/** Loads of the 12-volt side that are there for this. */
export const loadsFor = (vehicle: Vehicle, job: LoadJob): readonly LowLoad[] =>
  lowVoltage(vehicle).loads.filter(({ load }) => load.job === job);

/** A system that this build has: its design choice, or a load that does its work. */
export const has = {
  vacuum: (vehicle: Vehicle): boolean =>
    vehicle.build.schools.brakes === 'vacuum-pump' || loadsFor(vehicle, 'vacuum-pump').length > 0,
  booster: (vehicle: Vehicle): boolean =>
    vehicle.build.schools.brakes === 'electric-booster' || loadsFor(vehicle, 'brake-booster').length > 0,
  hydraulic: (vehicle: Vehicle): boolean =>
    vehicle.build.schools.steering?.startsWith('pump') === true || loadsFor(vehicle, 'steering-pump').length > 0,
  column: (vehicle: Vehicle): boolean => vehicle.build.schools.steering === 'column',
} as const;

/** A rule that rests on one answer: words, and what it means. */
export interface Question<A extends Ancillary> {
  readonly id: string;
  readonly flag: AncillaryFlag<A>;
  readonly endangers: 'people' | 'fire' | 'parts';
  readonly fails: string;
  readonly holds: string;
  readonly asked: string;
  readonly source: string;
  readonly cure: string;
}

export const askedRule = <A extends Ancillary>(
  system: A,
  subject: Ref,
  applies: (vehicle: Vehicle) => boolean,
  { id, flag, endangers, fails, holds, asked, source, cure }: Question<A>,
): Rule =>
  defineRule({
    id,
    endangers,
    says: { fails, holds, line: '{detail}', open: subject.name } as {
      fails: string;
      holds: string;
      line: '{detail}';
      open: string;
    },
    sources: [source],
    judge: ({ vehicle }): Finding<'detail'>[] => {
      if (!applies(vehicle)) return [];
      const is = (vehicle.build[system] as Readonly<Record<string, boolean | undefined>> | undefined)?.[flag];
      if (is === undefined) return [asks(subject, asked) as Finding<'detail'>];
      return [{ subject, holds: is, figures: { detail: is ? 'told so' : 'told that it is not so' } }];
    },
    remedies: cure,
  });
