import { type Finding, marginAtMost, quantityText as q, type Ref } from '../../checks';
import { parseTyre, type TyreService } from '../../physics/tyre';
import { inverterPowerW, massesOf, nominalLinkV, type Vehicle, wheelsOf } from '../../vehicle';
import { defineRule, type Rule } from '../define';
import { driveResults } from './results';

const TYRES: Ref = { kind: 'build', id: 'tyres', name: 'Tyres' };

/** What stands behind the size of the tyres. missing: a size without it; null: no size is told, or it is none of a road vehicle. */
function serviceOf({ build }: Vehicle): TyreService | 'missing' | null {
  const { tyre, category } = build.vehicle;
  if (tyre === undefined || category === 'T') return null;
  const answer = parseTyre(tyre);
  return answer.ok ? (answer.tyre.service ?? 'missing') : null;
}

const ASKED = 'the load index and speed symbol behind the size, such as 88H';

const load = defineRule({
  id: 'drive.tyre-load',
  endangers: 'people',
  says: {
    fails: 'The tyres carry less than lies on them',
    holds: 'The tyres carry what lies on them',
    line: '{demand} on one of the {axle} tyres, rated for {limit}',
    open: 'Load on the tyres',
  },
  comfort: 0,
  sources: [
    'Load index of the side wall (ISO 4000-1, from memory: verify) against what lies on one tyre of the axle that loads it most, with a usual load',
  ],
  judge: ({ vehicle }): Finding<'axle'>[] => {
    const service = serviceOf(vehicle);
    if (service === null) return [];
    const missing = [...(service === 'missing' ? [ASKED] : [])];
    const { loaded } = massesOf(vehicle);
    // What the axles lack is asked in Pack.
    if (missing.length > 0) return [{ subject: TYRES, missing: missing.map((what) => ({ ref: TYRES, what })) }];
    if (!loaded || service === 'missing') return [];
    const wheels = wheelsOf(vehicle.build);
    const each = { front: loaded.frontKg / wheels.front, rear: loaded.rearKg / wheels.rear };
    const demand = Math.max(each.front, each.rear);
    return [
      {
        subject: TYRES,
        demand: { value: demand, dimension: 'mass' },
        limit: { value: service.loadKg, dimension: 'mass' },
        margin: marginAtMost(demand, service.loadKg),
        figures: { axle: each.front >= each.rear ? 'front' : 'rear' },
        assumed:
          wheels.front === 1 && wheels.rear === 1
            ? []
            : [
                wheels.front === wheels.rear
                  ? 'Two tyres on the axle, as much on either.'
                  : `One tyre ${wheels.front === 1 ? 'in front' : 'behind'}; of the two others as much on either.`,
              ],
      },
    ];
  },
  remedies: 'Tyres with a higher load index, or less on that axle.',
});

const speed = defineRule({
  id: 'drive.tyre-speed',
  endangers: 'people',
  says: {
    fails: 'It runs faster than its tyres bear',
    holds: 'The tyres bear its top speed',
    line: '{demand} on the flat, the symbol of the tyres is for {limit}',
  },
  comfort: 0,
  sources: [
    'Speed symbol of the side wall (ISO 4000-1, from memory: verify) against the top speed on the flat with a full pack',
  ],
  judge: ({ vehicle, fullV }): Finding[] => {
    const service = serviceOf(vehicle);
    if (service === null || service === 'missing') return [];
    // It is fastest with a full pack.
    const linkV = fullV ?? nominalLinkV(vehicle.build);
    const figures = driveResults(vehicle, linkV, inverterPowerW(vehicle.build, 'hard-acceleration'));
    if (!figures) return [];
    return [
      {
        subject: TYRES,
        demand: { value: figures.topSpeedMPerS, dimension: 'speed' },
        limit: { value: service.speedMPerS, dimension: 'speed' },
        margin: marginAtMost(figures.topSpeedMPerS, service.speedMPerS),
        lines: () => [
          {
            formula: 'v_top ≤ v_symbol',
            figures: `${q(linkV, 'voltage')} at the link`,
            result: { value: figures.topSpeedMPerS, dimension: 'speed' },
          },
        ],
      },
    ];
  },
  remedies: 'Tyres for a higher speed, or a limit of speed in the controller.',
});

const STAND: Ref = { kind: 'build', id: 'stand', name: 'Side stand' };

const stand = defineRule({
  id: 'drive.stand',
  endangers: 'people',
  says: {
    fails: 'It drives off with its side stand down',
    holds: 'Nothing drives with the side stand down',
    line: '{detail}',
    open: 'Side stand',
  },
  sources: [
    'A side stand folds up by itself or keeps the drive from moving it: Regulation (EU) 44/2014, annex XV (from memory: verify)',
  ],
  judge: ({ vehicle: { build } }): Finding<'detail'>[] => {
    const { body, standCut } = build.vehicle;
    if (body !== 'motorcycle') return [];
    if (standCut === undefined)
      return [{ subject: STAND, missing: [{ ref: STAND, what: 'whether torque is cut while the stand is down' }] }];
    return [
      {
        subject: STAND,
        holds: standCut,
        figures: {
          detail: standCut
            ? 'its switch cuts the torque, or it folds up by itself'
            : 'the ground throws it over in the first bend to that side',
        },
      },
    ];
  },
  remedies: 'A switch at the stand that cuts the torque, or a stand that folds up by itself; then tell it in Survey.',
});

export const TYRE_RULES: readonly Rule[] = [load, speed, stand];
