import type { Build } from '../../build';
import { CATEGORY_FIGURES } from '../../physics/vehicle-category';
import type { RuleSet } from '../../rules';

/** What a box's fixings have to hold, g, and who asks it. */
export interface RestraintAsked {
  readonly forwardG: number;
  readonly sideG: number;
  readonly upG: number;
  /** "category M1", "the rules"; of forward and sideways. */
  readonly by: string;
}

/** One's own figure first, then that of the vehicle's category (UN R100, annex 9D), then the rule set's. Limits of an own set stand as stated. */
export function restraintAsked({ restraint, ruleSet, vehicle }: Build, rules: RuleSet): RestraintAsked {
  const asked: { readonly forwardG?: number; readonly sideG?: number } =
    ruleSet === 'own' || vehicle.category === undefined ? {} : CATEGORY_FIGURES[vehicle.category];
  return {
    forwardG: restraint?.forwardG ?? asked.forwardG ?? rules.restraintForwardG.value,
    sideG: restraint?.sideG ?? asked.sideG ?? rules.restraintSideG.value,
    upG: restraint?.upG ?? rules.restraintUpG.value,
    by: asked.forwardG === undefined ? 'the rules' : `category ${vehicle.category}`,
  };
}
