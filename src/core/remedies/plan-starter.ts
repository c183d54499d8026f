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

const own = (checks: readonly Check[]): readonly Check[] => checks.filter(({ id }) => OWN.test(id) && !CHOSEN.test(id));

/** What fails once a circuit is laid out with so much power beside the drive’s, W. */
const failsOf = (build: Build, input: LayOutInput, memory: Memory, extraW = 0): readonly Check[] =>
  assess(
    applyEdit(build, {
      edit: 'layOut',
      input: {
        ...input,
        hardPowerW: (input.hardPowerW ?? 0) + extraW,
        cruisePowerW: (input.cruisePowerW ?? 0) + extraW,
      },
    }).build,
    { memory },
  ).checks.filter(({ verdict }) => verdict === 'fails');

/**
 * Sizes a first circuit by the checks that will judge it: power down to what cells and inverter give, fuse, contactor, disconnect and cable up
 * until nothing that it chose fails. Never more power than the build asks. Where it holds, room is left for what comes onto the bus later:
 * the drive's own power is less by it where nothing else is free, and the main fuse is the largest with which all holds.
 */
export function planStarter(build: Build, choice: StarterChoice, seed: string, memory = new Memory()): StarterPlan {
  const tight = leastPlan(build, choice, seed, memory);
  if (own(tight.failing).length > 0) return tight;
  const roomW = choice.cellsInSeries * choice.cell.fullV > LOW_V ? ROOM_W : LOW_ROOM_W;
  const free = own(failsOf(build, tight.input, memory, roomW)).length === 0;
  if (!free && tight.cruisePowerW - roomW < LEAST_W * CRUISE) return tight;
  const less = free ? 0 : roomW;
  const powers = { hardPowerW: tight.hardPowerW - less, cruisePowerW: tight.cruisePowerW - less };
  return withLargerFuse(
    build,
    choice,
    seed,
    memory,
    { ...tight, ...powers, input: { ...tight.input, ...powers } },
    roomW,
  );
}

/** Sizes that the main fuse may grow by. */
const MOST_STEPS = 4;

/** The largest main fuse with which all of it still holds, room included: the fuses of what comes onto the bus have to go before it. */
function withLargerFuse(
  build: Build,
  choice: StarterChoice,
  seed: string,
  memory: Memory,
  plan: StarterPlan,
  roomW: number,
): StarterPlan {
  const { hardPowerW, cruisePowerW, input: first } = plan;
  const larger = bySize(
    catalogueOf('fuse').filter(
      ({ family, ratedVoltageDcV, ratedCurrentA }) =>
        family === 'traction' &&
        ratedVoltageDcV === first.mainFuse.ratedVoltageDcV &&
        ratedCurrentA > first.mainFuse.ratedCurrentA,
    ),
    ({ ratedCurrentA }) => ratedCurrentA,
  );
  const cables = bySize(
    catalogueOf('cable').filter(({ shielded, areaMm2 }) => shielded && areaMm2 >= first.cable.areaMm2),
    ({ areaMm2 }) => areaMm2,
  );
  let input = first;
  for (const mainFuse of larger.slice(0, MOST_STEPS)) {
    const cable = cables.find(({ areaMm2 }) => areaMm2 * 5 >= mainFuse.ratedCurrentA);
    if (!cable) break;
    const { mainContactor, disconnect } = first;
    const made = {
      ...starterLayout(build, choice, seed, { mainFuse, cable, mainContactor, disconnect }),
      hardPowerW,
      cruisePowerW,
    };
    if (own(failsOf(build, made, memory, roomW)).length > 0) break;
    input = made;
  }
  return { ...plan, input, failing: failsOf(build, input, memory) };
}

/** Sized as the checks ask, with no room. */
function leastPlan(build: Build, choice: StarterChoice, seed: string, memory: Memory): StarterPlan {
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
    const { checks } = assess(applyEdit(build, { edit: 'layOut', input }).build, { memory });
    const all = checks.filter(({ verdict }) => verdict === 'fails');
    const failing = own(all);
    const plan: StarterPlan = { input, ...powers, failing: all };
    if (!best || all.length < best.failing.length) best = plan;
    if (failing.length === 0) return plan;
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
  return best!;
}
