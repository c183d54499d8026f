import { assess } from '../assess';
import { applyEdit, type Build, type LayOutInput } from '../build';
import type { Check } from '../checks';
import { type CablePart, type ContactorPart, catalogueOf, type DisconnectPart, type FusePart } from '../parts';
import { Memory } from '../vehicle';
import { type StarterChoice, starterLayout } from './starter';

/** A first circuit that was tried on the model until it held, or until nothing was left to try. */
export interface StarterPlan {
  readonly input: LayOutInput;
  readonly hardPowerW: number;
  readonly cruisePowerW: number;
  /** What fails all the same, by the design choices too; empty: it holds. */
  readonly failing: readonly Check[];
}

/** What the starter answers for: everything that it chose itself. */
const OWN =
  /^(pack\.(delivers|sag|discharge-current)|device\.voltage|inverter\.|fuse\.|contactor\.|cable\.|disconnect\.|precharge\.|circuit\.|bms\.hot-climb)/;
/** What a design choice brings along, whatever is fitted. */
const CHOSEN = /^(contactor\.both-poles|fuse\.unprotected-length|fuse\.present)$/;
/** What less power cures; what a larger fuse cures; what a smaller one does. */
const POWER = /^(pack\.|device\.voltage-min|inverter\.|bms\.)/;
const FUSE_SMALL = /^fuse\.(cyclic|minutes|continuous|trip)$/;
const FUSE_LARGE = /^fuse\.(melting-time|minimum-breaking|contactor-withstand|cable-short|cable-overload|let-through)/;
/** Converter and charger come onto the bus later: so much is kept free for them (practice), W; on a low bus less. */
const ROOM_W = 1000;
const LOW_ROOM_W = 300;
const LOW_V = 60;
const LEAST_W = 2000;
const LESS = 0.85;
const MOST_TRIES = 60;
/** Cruise is a share of the hardest that is asked (practice: half and a little more at most). */
const CRUISE = 0.6;

type Fixed = Pick<LayOutInput, 'mainFuse' | 'mainContactor' | 'disconnect' | 'cable'>;

const bySize = <P>(parts: readonly P[], size: (part: P) => number): readonly P[] =>
  [...parts].sort((p, q) => size(p) - size(q));

/**
 * Sizes a first circuit by the checks that will judge it: power down to what cells and inverter give, fuse, contactor, disconnect and cable up
 * until nothing that it chose fails. Never more power than the build asks. Where cells and inverter allow it room is left for what comes
 * onto the bus later.
 */
export function planStarter(build: Build, choice: StarterChoice, seed: string, memory = new Memory()): StarterPlan {
  const roomW = choice.cellsInSeries * choice.cell.fullV > LOW_V ? ROOM_W : LOW_ROOM_W;
  const roomy = planWith(build, choice, seed, memory, roomW);
  const own = (plan: StarterPlan) => plan.failing.filter(({ id }) => OWN.test(id) && !CHOSEN.test(id)).length;
  if (own(roomy) === 0) return roomy;
  const tight = planWith(build, choice, seed, memory, 0);
  return own(tight) < own(roomy) ? tight : roomy;
}

/** The same with so much power beside the drive's, W: what fails is that of the layout without it. */
function planWith(build: Build, choice: StarterChoice, seed: string, memory: Memory, roomW: number): StarterPlan {
  const fullV = choice.cellsInSeries * choice.cell.fullV;
  const first = starterLayout(build, choice, seed);
  const fuses: readonly FusePart[] = bySize(
    catalogueOf('fuse').filter(
      ({ family, ratedVoltageDcV }) => family === 'traction' && ratedVoltageDcV === first.mainFuse.ratedVoltageDcV,
    ),
    ({ ratedCurrentA }) => ratedCurrentA,
  );
  // Those that blow their arc out either way first: a drive feeds back.
  const contactors: readonly ContactorPart[] = bySize(
    catalogueOf('contactor').filter(({ ratedVoltageV }) => ratedVoltageV >= fullV),
    (part) => (part.polarised ? 1e6 : 0) + part.ratedVoltageV + part.breakCurrentA + part.makeCurrentA / 10,
  );
  const disconnects: readonly DisconnectPart[] = bySize(
    catalogueOf('disconnect').filter(({ ratedVoltageV }) => ratedVoltageV >= fullV),
    ({ ratedCurrentA }) => ratedCurrentA,
  );
  const cables: readonly CablePart[] = bySize(
    catalogueOf('cable').filter(({ shielded }) => shielded),
    ({ areaMm2 }) => areaMm2,
  );
  const beside = <P extends { readonly id: string }>(parts: readonly P[], now: P, step: 1 | -1): P | undefined =>
    parts[parts.findIndex(({ id }) => id === now.id) + step];

  let powers = { hardPowerW: build.duty.hardAccelerationPowerW, cruisePowerW: build.duty.cruisePowerW };
  let [risen, fallen] = [false, false];
  let fixed: Partial<Fixed> = {
    mainContactor: contactors[0] ?? first.mainContactor,
  };
  let best: StarterPlan | null = null;
  for (let k = 0; k < MOST_TRIES; k++) {
    const input: LayOutInput = { ...starterLayout(build, choice, seed, fixed), ...powers };
    const failsOf = (extraW: number): readonly Check[] =>
      assess(
        applyEdit(build, {
          edit: 'layOut',
          input: {
            ...input,
            hardPowerW: powers.hardPowerW + extraW,
            cruisePowerW: powers.cruisePowerW + extraW,
          },
        }).build,
        { memory },
      ).checks.filter(({ verdict }) => verdict === 'fails');
    const all = failsOf(roomW);
    const failing = all.filter(({ id }) => OWN.test(id) && !CHOSEN.test(id));
    const plan: StarterPlan = { input, ...powers, failing: all };
    if (!best || all.length < best.failing.length) best = plan;
    // With room it holds: without it, it holds the more; that is looked at all the same.
    if (failing.length === 0) return roomW === 0 ? plan : { ...plan, failing: failsOf(0) };
    const fails = (pattern: RegExp) => failing.find(({ id }) => pattern.test(id));
    const less = (cruises: boolean): boolean => {
      // The pack says itself what it can give.
      const gives = failing.find(({ id, case: at }) => id === 'pack.delivers' && !at?.startsWith('cruise'))?.limit
        ?.value;
      const hardPowerW = Math.min(powers.hardPowerW * LESS, gives ?? Number.POSITIVE_INFINITY);
      if (hardPowerW < LEAST_W) return false;
      powers = { hardPowerW, cruisePowerW: Math.min(powers.cruisePowerW * (cruises ? LESS : 1), hardPowerW * CRUISE) };
      return true;
    };
    const move = <K extends keyof Fixed>(key: K, parts: readonly Fixed[K][], step: 1 | -1 = 1): boolean => {
      const next = beside(parts, input[key] as Fixed[K], step);
      if (!next) return false;
      fixed = { ...fixed, [key]: next };
      return true;
    };
    if (fails(POWER)) {
      if (less(failing.some(({ id, case: at }) => POWER.test(id) && at?.startsWith('cruise') === true))) continue;
      break;
    }
    const [small, large] = [fails(FUSE_SMALL), fails(FUSE_LARGE)];
    // Back and forth between two sizes: one is too small, the next too large.
    const torn = (small && large) || (small && fallen) || (large && risen);
    if (small && !torn && move('mainFuse', fuses)) {
      risen = true;
      continue;
    }
    if (large && !torn && move('mainFuse', fuses, -1)) {
      fallen = true;
      continue;
    }
    if (fails(/^contactor\./) && move('mainContactor', contactors)) continue;
    if (fails(/^disconnect\./) && move('disconnect', disconnects)) continue;
    if (fails(/^cable\./) && move('cable', cables)) continue;
    // Nothing larger is left, or one thing asks for more and another for less: less power asks less of all.
    [risen, fallen] = [false, false];
    fixed = { ...fixed, mainContactor: contactors[0] ?? first.mainContactor };
    if (!less(true)) break;
  }
  if (roomW === 0 || !best) return best!;
  const { input } = best;
  return {
    ...best,
    failing: assess(applyEdit(build, { edit: 'layOut', input }).build, { memory }).checks.filter(
      ({ verdict }) => verdict === 'fails',
    ),
  };
}
