import { type Dimension, formatMargin, formatQuantity, type Quantity, type UnitSystem } from '../quantities';
import type { Check, Verdict, Wording } from './check';

/** All sentences about checks, in workshop English. `{name}` is a figure or a text of the wording. */
interface Sentence {
  /** Ledger line when it does not hold. */
  readonly bad: string;
  /** Ledger line when it holds. */
  readonly good: string;
  /** One quiet line under it. */
  readonly line: string;
  /** Ledger line while it can't be judged; the one for holding when absent. */
  readonly open?: string;
}

const S = (bad: string, good: string, line: string, open?: string): Sentence => ({
  bad,
  good,
  line,
  ...(open ? { open } : {}),
});

const SENTENCES: Readonly<Record<string, Sentence>> = {
  'survey.told': S(
    'The vehicle is not told yet',
    'The vehicle is told',
    'mass, tyres and speed are there',
    'The vehicle',
  ),
  'survey.tyre': S('No such tyre', 'Tyres', '{detail}'),
  'survey.gross-mass': S('Too heavy with a usual load', 'Mass with a usual load', '{demand} of {limit}'),
  'survey.as-found': S('{subject}: no', '{subject}', '{detail}', '{subject}'),
  'survey.as-found.mend': S('{subject}: not yet', '{subject}', '{detail}', '{subject}'),
  'survey.old-part': S('{subject}', '{subject}', '{detail}', '{subject}'),
  'survey.mass-sum': S(
    'The mass does not add up',
    'The mass adds up',
    'stripped and built in {demand}, the road model takes {limit}',
  ),
  'survey.supply': S(
    'A night at the supply does not put a day back',
    'A night at the supply puts a day back',
    '{demand} for a winter day, {limit} a night',
    'A night at the supply',
  ),
  'survey.loss': S('{subject} is not replaced', '{subject}', '{detail}', '{subject}'),
  'drive.side-load': S(
    '{subject}’s shaft is pulled too hard',
    '{subject}, side load',
    '{detail}',
    '{subject}, side load',
  ),
  'drive.dead-man': S('Nothing stops the set speed', 'Set speed has a presence switch', '{detail}', 'Set speed'),
  'drive.runaway': S('{subject} can run away', '{subject} can’t run away', '{detail}', '{subject} without load'),
  'drive.climb': S(
    '{subject} can’t keep the speed on the climb',
    '{subject} on the climb',
    '{demand} of {limit} at {speed} up {grade}',
    '{subject} on the climb',
  ),
  'drive.climb.torque': S(
    '{subject} has not the torque for the climb',
    '{subject} on the climb',
    'no gear pulls {speed} up {grade}',
  ),
  'drive.cruise': S(
    '{subject} can’t keep the cruise speed',
    '{subject} in cruise',
    '{demand} of {limit} at {speed}',
    '{subject} in cruise',
  ),
  'drive.cruise.torque': S('{subject} can’t keep the cruise speed', '{subject} in cruise', 'no gear pulls {speed}'),
  'drive.back-voltage': S(
    '{subject} would feed too much voltage back',
    '{subject} turned fast',
    '{demand} at {rpm}/min, the inverter survives {limit}',
    '{subject} turned fast',
  ),
  'drive.range': S(
    'The pack does not last the day in winter',
    'Range, aged pack in winter',
    '{demand}, {limit} a day is wanted',
    'Range',
  ),
  'drive.claim': S(
    'More range is promised than there is',
    'The promised range',
    '{demand} promised, {limit} new in mild air',
    'Promised range',
  ),
  'drive.cruise-covers': S(
    'The trip takes more for long than cruise does',
    'Cruise stands for the trip',
    '{demand} rms over half an hour, {limit} sustained',
    'Cruise against the trip',
  ),
  'drive.gives': S('It falls behind on the usual trip', 'It keeps up on the usual trip', '{detail}', 'The usual trip'),
  'pack.present': S('There are no cells yet', 'Cells are chosen', '{detail}', 'Cells'),
  'pack.string-fuse': S('{subject} has no fuse of its own', '{subject} has its own fuse', '{detail}'),
  'pack.string-contactor': S(
    '{subject} can’t be switched off by itself',
    '{subject} has its own contactor',
    '{detail}',
  ),
  'pack.string-match': S(
    '{subject} and {other} don’t rest at the same voltage',
    '{subject} and {other} rest together',
    '{demand} flow between them, {limit} are gentle',
  ),
  'pack.string-alone': S(
    '{subject} can’t carry the vehicle alone',
    '{subject} alone',
    '{part}: {demand} of {limit} when the other strings are off',
    '{subject} alone',
  ),
  'pack.string-alone.gives': S(
    '{subject} can’t carry the vehicle alone',
    '{subject} alone',
    'it can’t give the power of {state}',
  ),
  'pack.axle-load': S('{subject} is overloaded', '{subject}', '{demand} of {limit} with a usual load', '{subject}'),
  'pack.ride-height': S(
    '{subject} sits on its bump stops',
    '{subject}, height left',
    'down {demand} of {limit} with a usual load',
    '{subject}, height left',
  ),
  'pack.sides': S('It leans to one side', 'Left and right', '{demand} between them, {limit} at most'),
  'pack.restraint': S('{subject} can tear loose', '{subject} is held', '{detail}', '{subject}, its fixings'),
  'pack.access': S('{subject} can’t be got at', '{subject} can be got at', '{detail}', '{subject}, access'),
  'pack.modules': S('{subject} don’t match', '{subject} match', '{demand} between them at rest, {limit} at most'),
  'pack.modules.capacity': S(
    '{subject} don’t match',
    '{subject} match',
    '{demand} between the capacities, {limit} at most',
  ),
  'pack.delivers': S(
    '{subject} can’t give the power asked',
    '{subject} gives the power asked',
    'asked {demand}, it can give {limit}',
    'Power of {subject}',
  ),
  'pack.sag': S('{subject} sags too deep under load', '{subject} under load', '{demand} a cell, at least {limit}'),
  'device.voltage-max': S('Too much voltage for {subject}', '{subject} at full charge', '{demand} of {limit}'),
  'device.voltage-max.survives': S(
    'Full charge would destroy {subject}',
    '{subject} at full charge',
    '{demand}, it survives {limit}',
  ),
  'device.voltage-min': S(
    '{subject} loses its working voltage',
    '{subject} at the lowest voltage',
    '{demand}, needs {limit}',
  ),
  'inverter.current': S(
    'More battery current than {subject} takes',
    '{subject} battery current',
    '{demand} of {limit}',
  ),
  'circuit.solved': S('The circuit can’t be solved', 'The circuit is whole', '{detail}', 'Circuit'),
  'circuit.open': S('{subject} gets no voltage', '{subject} is fed', '{detail}'),
  'fuse.dc-rating': S('{subject} has no DC rating', '{subject} has a DC rating', '{detail}', '{subject} DC rating'),
  'fuse.dc-voltage': S(
    '{subject} can’t break this voltage',
    '{subject} voltage',
    '{demand} full charge, breaks {limit}',
  ),
  'fuse.continuous': S(
    '{subject} carries more than it lasts',
    '{subject} continuous',
    '{demand} of {limit} at {ambient}',
  ),
  'cable.peak': S('{subject} gets too hot in a peak', '{subject} in a peak', '{demand} of {limit} with {current}'),
  'cable.peak.melts': S('{subject} melts in a peak', '{subject} in a peak', 'no end to the rise with {current}'),
  'cable.trip': S(
    '{subject} gets too hot on the usual trip',
    '{subject} on the usual trip',
    '{demand} of {limit}',
    '{subject}',
  ),
  'cable.trip.melts': S('{subject} melts on the usual trip', '{subject} on the usual trip', 'no end to the rise'),
  'cable.bend': S('{subject} is bent too tight', '{subject}, tightest bend', '{demand}, at least {limit}'),
  'cable.route': S('{subject}: not there', '{subject}, its way', '{detail}', '{subject}, its way'),
  'cable.shield': S('Shield of {subject} does not shield', 'Shield of {subject}', '{detail}'),
  'plan.overlap': S('{subject} and {other} stand in one place', '{subject}', 'with {other}'),
  'fuse.trip': S(
    '{subject} carries too much on the usual trip',
    '{subject} on the usual trip',
    '{demand} rms in the worst half hour, {limit} for ever',
    '{subject} on the usual trip',
  ),
  'lv.battery': S('No auxiliary battery', '{subject}', '{detail}', '{subject}'),
  'lv.converter-size': S(
    '{subject} is too small for the 12-volt side',
    '{subject} feeds the 12-volt side',
    '{demand} of {limit} in {scenario}',
    '{subject}, 12-volt side',
  ),
  'lv.converter-voltage': S(
    '{subject} is set wrong for the battery',
    '{subject}, set voltage',
    '{demand}, {battery} wants about {limit}',
  ),
  'lv.converter-drop': S(
    'The way from {subject} to the battery drops too much',
    '{subject} to the battery',
    '{demand} of {limit} at {current}',
    '{subject} to the battery',
  ),
  'lv.peak': S(
    '{subject} drops out in a peak',
    '{subject} in a peak',
    '{demand}, needs {limit}; battery gives {battery}',
  ),
  'lv.hold-up': S(
    'The converter’s end leaves too little time',
    'When the converter dies',
    '{demand} from {current}, {limit} wanted; {first} goes first',
  ),
  'lv.parked': S('Parking flattens {subject}', '{subject}, parked', '{days} to half at {current}, 21 wanted'),
  'lv.cold-charge': S('{subject} would be charged below freezing', '{subject} in the cold', '{detail}'),
  'lv.drop': S('{subject} gets too little voltage', '{subject}, drop', '{demand} of {limit} {how}', '{subject}'),
  'lv.fuse-load': S('{subject} is too small for its load', '{subject}, load', '{demand} of {limit}'),
  'lv.fuse-wire': S(
    '{subject} does not protect its wire',
    '{subject}, its wire',
    '{demand}, {wire} carries {limit}',
    '{subject}, its wire',
  ),
  'lv.load-fuse': S('{subject} has no fuse', '{subject}', '{detail}'),
  'lv.source-fuse': S('{subject} has no fuse at its terminal', '{subject}, fuse at the source', '{detail}'),
  'lv.wire-temperature': S('{subject} gets too hot', '{subject}', '{demand} of {limit} with {current}'),
  'lv.wire-temperature.runaway': S('{subject} burns', '{subject}', 'no steady temperature with {current}'),
  'lv.contact': S('{subject} carries too much', '{subject}, contact', '{demand} of {limit}'),
  'fuse.cable-overload.shared': S(
    '{subject} and its neighbours don’t protect their cable',
    '{subject} and its neighbours protect their cable',
    '{demand} fuse, its share of {cable} {limit}: strings in parallel feed it together',
  ),
  'fuse.cable-overload': S(
    '{subject} does not protect its cable',
    '{subject} protects its cable',
    '{demand} fuse, {cable} carries {limit}',
    '{subject} against its cable',
  ),
  'fuse.cable-overload.partial': S(
    '{subject} is no overload protection',
    '{subject} protects its cable',
    'it breaks short circuits only, from {demand} upward',
  ),
  'fuse.breaking-capacity': S(
    '{subject} can’t break the highest fault',
    '{subject} breaks the highest fault',
    '{demand} of {limit}',
    '{subject} breaking capacity',
  ),
  'fuse.minimum-breaking': S(
    '{subject} melts but does not break a weak fault',
    '{subject} breaks the weakest fault',
    'breaks from {demand}, the weakest fault is {limit}',
    '{subject} weakest fault',
  ),
  'fuse.melting-time': S(
    '{subject} melts too late in a weak fault',
    '{subject} melts in time',
    '{demand} at {current}, {limit} at most',
    '{subject} melting time',
  ),
  'fuse.melting-time.never': S(
    '{subject} never melts in a weak fault',
    '{subject} melts in time',
    'only {demand} flows: the fault burns on',
  ),
  'fuse.cable-short': S(
    '{subject} lets a short circuit burn its cable',
    '{subject} saves its cable in a short circuit',
    'lets through {demand}, {cable} stands {limit}',
    '{subject} against a short in its cable',
  ),
  'fuse.cable-short.never': S(
    '{subject} lets a weak fault burn its cable',
    '{subject} saves its cable in a short circuit',
    'at {demand} it never melts, and {cable} burns',
  ),
  'fuse.selectivity': S(
    '{subject} takes {upstream} with it',
    '{subject} goes alone',
    'lets through {demand}, {upstream} stands {limit}',
    '{subject} goes alone',
  ),
  'fuse.contactor-withstand': S(
    '{subject} welds or bursts before its fuse acts',
    '{subject} outlasts its fuse',
    '{fuse} lets through {demand}, it stands {limit}',
    '{subject} in a short circuit',
  ),
  'fuse.unprotected-length': S(
    'Too much cable at {subject} before any fuse',
    'Cable at {subject} before any fuse',
    '{demand} of {limit}: {cables}',
    'Cable at {subject} before any fuse',
  ),
  'fuse.cyclic': S('{subject} tires of the pulses', '{subject} pulses', '{demand} of {limit}'),
  'fuse.branch': S('{subject} has no fuse of its own', '{subject} has a fuse of its own', '{detail}'),
  'fuse.present': S('No fuse protects {subject}', '{subject} has a fuse', '{detail}'),
  'contactor.voltage': S(
    '{subject} is not made for this voltage',
    '{subject} voltage',
    '{demand} full charge, rated {limit}',
  ),
  'contactor.carry': S(
    '{subject} carries more than its studs cool',
    '{subject} carry',
    '{demand} of {limit} on {cable}',
  ),
  'contactor.make': S(
    '{subject} closes on too much current',
    '{subject} closing',
    '{demand} of {limit}, {difference} across it',
  ),
  'contactor.make.unprecharged': S(
    '{subject} closes on an empty link',
    '{subject} closing',
    '{demand} of {limit}: nothing precharges the link',
  ),
  'contactor.break': S(
    '{subject} can’t open the hardest current',
    '{subject} opens the hardest current',
    '{demand} of {limit}',
    '{subject} opening',
  ),
  'discharge.passive': S(
    'The link stays dangerous too long after switching off',
    'The link discharges by itself',
    'under 60 V after {demand}, {limit} at most',
    'Discharge of the link',
  ),
  'discharge.passive.never': S(
    'The link stays charged for ever after switching off',
    'The link discharges by itself',
    'nothing bleeds it',
  ),
  'discharge.active': S(
    '{subject} empties the link too slowly',
    '{subject} empties the link when told',
    'under 60 V after {demand}, {limit} at most',
  ),
  'insulation.resistance': S(
    'Too much leaks to the body',
    'Insulation to the body',
    '{demand} all together, at least {limit}',
  ),
  'insulation.y-capacitance': S(
    'The filters hold enough charge to hurt',
    'Charge in the filters to the body',
    '{demand} of {limit}',
  ),
  'disconnect.left': S(
    '{subject} leaves most of the pack in one piece',
    '{subject} takes the pack apart',
    '{demand} stays live in one part, {limit} at most',
  ),
  'contactor.coil': S(
    '{subject} may not pull in on a weak battery',
    '{subject} coil',
    '{demand} at its coil, pulls in from {limit}',
    '{subject} coil',
  ),
  'contactor.coil.unwired': S('{subject} has no wires at its coil', '{subject} coil', 'nothing can close it'),
  'contactor.coil.unused': S('{subject} coil', '{subject} coil', 'no state closes it'),
  'contactor.release': S(
    '{subject} lets go too slowly',
    '{subject} lets go',
    '{demand} with {suppression}, {limit} at most',
    '{subject} letting go',
  ),
  'contactor.release.bare': S(
    'Nothing takes the coil’s kick at {subject}',
    '{subject} lets go',
    'its driver and its contacts burn',
  ),
  'contactor.peak': S(
    '{subject} carries too much for a while',
    '{subject} peaks',
    '{demand} of {limit} for {time}',
    '{subject} peaks',
  ),
  'contactor.polarity': S(
    '{subject} can’t break the current when it reverses',
    '{subject} when the current reverses',
    '{demand} of {limit} in {state}',
    '{subject} when the current reverses',
  ),
  'contactor.polarity.both-ways': S('{subject} direction', '{subject} direction', 'breaks either way'),
  'contactor.polarity.one-way': S('{subject} direction', '{subject} direction', 'the current never reverses'),
  'contactor.life': S(
    '{subject} wears out too soon',
    '{subject} life',
    '{demand} openings of {limit}, at {current}',
    '{subject} life',
  ),
  'contactor.welded-test': S(
    'Nothing finds a welded contactor',
    'A welded contactor is found',
    'the link is proved dead at each key-on',
    'Finding a welded contactor',
  ),
  'emergency.stop': S(
    'The emergency stop does not stop it',
    'The emergency stop stops it',
    '{detail}',
    'Emergency stop',
  ),
  'emergency.loop': S('A crash or an open lid leaves it live', 'A crash or an open lid switches off', '{detail}'),
  'emergency.single-failure': S(
    'One failure defeats the emergency stop',
    'The emergency stop survives one failure',
    '{detail}',
  ),
  'disconnect.interlock': S(
    '{subject} can be pulled under load',
    '{subject} opens without load',
    '{detail}',
    '{subject} interlock',
  ),
  'contactor.both-poles': S('The pack’s minus stays connected with everything open', 'Both poles switched', '{detail}'),
  'disconnect.rating': S('{subject} is not made for this', '{subject} rating', '{demand} of {limit}'),
  'precharge.reaches': S(
    'The link never charges: {subject} would wait for ever',
    'The link charges through {subject}',
    '{detail}',
    'Charging the link through {subject}',
  ),
  'precharge.time': S(
    '{subject} charges the link too slowly',
    '{subject} time',
    '{demand} to {fraction}, {limit} at most',
  ),
  'precharge.energy': S('{subject} overheats in one start', '{subject} pulse', '{demand} of {limit}'),
  'precharge.repeats': S(
    '{subject} overheats when the key is turned again and again',
    '{subject} in six starts in a row',
    '{demand} of {limit}',
  ),
  'precharge.voltage': S('{subject} is not made for this voltage', '{subject} voltage', '{demand} of {limit}'),
  'precharge.fault': S(
    '{subject} burns on a shorted bus before the time-out',
    '{subject} on a shorted bus',
    '{demand} until the time-out, lasts {limit}',
  ),
  'cable.temperature': S('{subject} gets too hot', '{subject} temperature', '{demand} of {limit} in {place}'),
  'cable.temperature.runaway': S(
    '{subject} has no steady temperature',
    '{subject} temperature',
    'at {current} it heats without end in {place}',
  ),
  'cable.drop': S('{subject} drops too much', '{subject} drop', '{demand} of {limit} allowed'),
  'cable.voltage': S('{subject} insulation is too weak', '{subject} insulation', '{demand} full charge, rated {limit}'),
};

const MISSING_WORDS: Readonly<Record<string, string>> = {
  part: 'the part',
  length: 'the length',
  place: 'the place',
  cells: 'the cells',
  leakage: 'the measured leakage',
  check: 'another check to hold',
  'coil circuit': 'the wiring of the coils',
};

export interface Said {
  readonly title: string;
  readonly line: string;
}

const render = (figure: Quantity | string | undefined, system: UnitSystem): string =>
  figure === undefined ? '' : typeof figure === 'string' ? figure : formatQuantity(figure, system).text;

/** The words of a check in the reader's units. */
export function say(check: Check, system: UnitSystem = 'metric'): Said {
  const sentence = SENTENCES[check.says.code];
  if (!sentence) throw new Error(`no wording for ${check.says.code}`);
  const fill = (template: string) =>
    template.replace(/\{([a-z]+)\}/g, (_, key: string) =>
      key === 'subject' ? check.subject.name : render(check.says.figures[key], system),
    );
  const judged = check.verdict === 'holds' || check.verdict === 'thin';
  const title = fill(
    check.verdict === 'fails' ? sentence.bad : judged ? sentence.good : (sentence.open ?? sentence.good),
  );
  if (check.verdict === 'needs-data')
    return {
      title,
      line: `needs ${(check.missing ?? []).map(({ ref, what }) => `${MISSING_WORDS[what] ?? what}${ref.id === check.subject.id ? '' : ` of ${ref.name}`}`).join(', ')}`,
    };
  if (check.verdict === 'pending') return { title, line: 'being driven …' };
  if (check.verdict === 'waits')
    return {
      title,
      line: `waits until ${(check.missing ?? []).map(({ ref, what }) => `${ref.name} ${what}`).join(', ')}`,
    };
  return { title, line: fill(sentence.line) };
}

export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  holds: 'holds',
  thin: 'thin',
  fails: 'fails',
  'needs-data': 'needs data',
  waits: 'waits',
  pending: 'pending',
};

/** "−75 %", or the verdict's word where there is no margin. */
export const marginText = (check: Pick<Check, 'margin' | 'verdict'>): string =>
  check.margin === undefined || !Number.isFinite(check.margin)
    ? VERDICT_WORDS[check.verdict]
    : formatMargin(check.margin);

export const knownCodes = (): readonly string[] => Object.keys(SENTENCES);
export const quantityText = (value: number, dimension: Dimension, significant = 4): string =>
  formatQuantity({ value, dimension }, 'metric', significant).text;
export type { Wording };
