import type { Build } from '../../build';
import { quantityText as q } from '../../checks';
import { isRun, type PrechargeRun } from '../../simulate';
import { commandsOf, contactorSorts, MAIN, MINUS, PRECHARGE, type Step, stepsOf } from '../../simulate/sequence';
import type { Vehicle } from '../../vehicle';
import type { Context } from '../context';
import { designOf } from './shared';

/** One line of the sheet that is taken to the car: what is done, what clicks, what to read where, what not to touch. */
export interface SheetLine {
  readonly step: string;
  readonly clicks: string;
  readonly read: string;
  readonly hands: string;
}

const names = (vehicle: Vehicle, sort: number): string =>
  [...contactorSorts(vehicle)]
    .flatMap(([id, one]) => (one === sort ? [vehicle.deviceOf.get(id)?.device.name ?? id] : []))
    .join(' and ');

/** Where the link can be read: the terminals of the first inverter. */
const linkAt = (vehicle: Vehicle): string =>
  vehicle.devices.find(({ device }) => device.kind === 'inverter')?.device.name ?? 'the inverter';

const runOf = ({ precharges }: Context): PrechargeRun | null => precharges.find(isRun) ?? null;

/** The sequence as it is walked through with a meter: key, precharge, ready, gear, key off. Empty while there is none. */
export function sequenceSheet(context: Context): readonly SheetLine[] {
  const found = designOf(context);
  if (!found || !('design' in found)) return [];
  const { vehicle } = context;
  const { design } = found;
  const { flags, command } = design;
  const byHand = command === 'hand-switches';
  const run = runOf(context);
  const at = linkAt(vehicle);
  const full = run ? q(run.packV, 'voltage') : 'pack voltage';
  const close = run ? q(run.closeFraction * run.packV, 'voltage') : 'the closing level';
  const after = run?.closeAtS != null ? ` after ${q(run.closeAtS, 'time')}` : '';
  const safe = q(context.rules.classBDcV.value, 'voltage');
  const minus = (design.fitted & MINUS) !== 0 ? names(vehicle, MINUS) : '';
  const lines: SheetLine[] = [
    {
      step: 'Everything off, plug out, disconnect in',
      clicks: 'nothing',
      read: `${at}: below ${safe} between its poles; the coils’ feed at the driver: 0 V`,
      hands: 'Cells and what joins them up to the first contactor are live at all times.',
    },
    {
      step: 'Key on',
      clicks: byHand && minus ? minus : 'nothing yet',
      read: design.provesDead
        ? `${at}: dead, or it stops here: a contactor has welded`
        : `${at}: look whether it is dead: nothing else does`,
      hands: 'From here on count every orange cable as live.',
    },
  ];
  if ((design.fitted & PRECHARGE) !== 0)
    lines.push({
      step: byHand ? 'Hold the precharge button' : 'Precharge, by itself',
      clicks: [byHand ? '' : minus, names(vehicle, PRECHARGE)].filter(Boolean).join(', then '),
      read: `${at}: rises to ${close}${after} with a full pack${run ? `; give up after ${q(run.timeoutS, 'time')}` : ''}`,
      hands: 'The resistor gets hot: hands off, and no second try before it has cooled.',
    });
  lines.push(
    {
      step: byHand ? 'Main switch on, then let the button go' : 'Main closes, by itself',
      clicks: `${names(vehicle, MAIN)}${(design.fitted & PRECHARGE) !== 0 ? `; ${names(vehicle, PRECHARGE)} lets go` : ''}`,
      read: `${at}: ${full} with a full pack, no bang, no dip`,
      hands: 'Everything is live.',
    },
    {
      step: `${flags.brakeFirst ? 'Brake pressed, ' : ''}${flags.pedalAtRest ? 'accelerator at rest, ' : ''}lever to forward`,
      clicks: 'nothing',
      read: 'wheels off the ground: they stand still until the accelerator is pressed',
      hands: 'Nobody within reach of wheels, shafts and belts.',
    },
    {
      step: 'Lever to neutral, key off',
      clicks: [names(vehicle, MAIN), minus].filter(Boolean).join(', '),
      read: `${at}: falls below ${safe}; count the seconds and write them down`,
      hands: 'Until it is below: live. Wait, prove the meter, prove dead, prove the meter again.',
    },
  );
  lines.push(...choiceLines(vehicle, design.regen !== 'none'));
  if (design.handle || design.pull)
    lines.push({
      step: 'Once more up to ready, then the emergency stop',
      clicks: 'every contactor, at once',
      read: `${at}: falls as before${flags.stopTold ? '; released, nothing closes again before the key was off' : ''}`,
      hands: 'Released it must not start by itself.',
    });
  if (design.seen !== null)
    lines.push({
      step: 'Ready, charge plug in',
      clicks: flags.plugBlocks ? 'main off, then the way to charge' : 'nothing',
      read: 'lever to forward, accelerator pressed: no torque. Then the plug’s wire pulled off: still none',
      hands: 'Mains at the inlet.',
    });
  return lines;
}

/** Modes and levels beside the steps: they change how much, never whether. */
function choiceLines({ build }: Vehicle, brakes: boolean): SheetLine[] {
  const { economyShare, regenLowShare } = build.controls ?? {};
  const full = build.regeneration?.torqueShare;
  const hands = 'Wheels off the ground, nobody within reach of wheels, shafts and belts.';
  return [
    ...(economyShare === undefined
      ? []
      : [
          {
            step: 'Ready, lever to forward, economy on, then off',
            clicks: 'nothing',
            read: `pedal pressed down: at most ${q(economyShare, 'ratio')} of the torque; off again: all of it, without a jump`,
            hands,
          },
        ]),
    ...(!brakes || regenLowShare === undefined
      ? []
      : [
          {
            step: 'Rolling, regeneration off, low, full in turn',
            clicks: 'nothing',
            read: `brakes by nothing, by ${q(regenLowShare, 'ratio')}, by ${full === undefined ? 'all that is set' : q(full, 'ratio')} of the peak torque; brake lamps as the level asks; it ends before standstill`,
            hands,
          },
        ]),
  ];
}

/** The statechart as plain data, to be read by other programs. */
export function sequenceJson(context: Context): string {
  const found = designOf(context);
  const design = found && 'design' in found ? found.design : null;
  const { build }: { build: Build } = context.vehicle;
  const plain = ({ id, from, to, when, own }: Step) => ({ id, from, to, when: [...when, ...(own ?? [])] });
  return JSON.stringify(
    {
      format: 'ropeway-sequence',
      version: 1,
      build: build.name,
      command: design?.command ?? null,
      closes: design ? commandsOf(design) : null,
      contactors: { 1: 'minus', 2: 'precharge', 4: 'main', 8: 'charge' },
      steps: design ? stepsOf(design).map(plain) : [],
      levels: {
        economy: build.controls?.economyShare ?? null,
        regenerationLow: design && design.regen !== 'none' ? (build.controls?.regenLowShare ?? null) : null,
        regenerationFull: design && design.regen !== 'none' ? (build.regeneration?.torqueShare ?? null) : null,
      },
      caution: 'Computed, not proved on a car. Local code and a licensed person decide.',
    },
    null,
    2,
  );
}
