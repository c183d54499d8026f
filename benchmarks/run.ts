import { spawnSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { assess } from '../src/core/assess';
import { Board, STEP_S } from '../src/core/bench';
import { applyEdit } from '../src/core/build';
import { firn9 } from '../src/core/build/samples';
import { readBuildText } from '../src/core/build/schema';
import { checkKey } from '../src/core/checks';
import { operatingPoint, transient } from '../src/core/circuit';
import { buildText } from '../src/core/formats';
import { chaptersOf, imprintOf, pagesOf } from '../src/core/handover';
import { HEAD_BYTES, logReader, openLog } from '../src/core/logs';
import { madeCsv, madeDatabase, madeFrames } from '../src/core/logs/made-log';
import { findRemedies, sizeCables } from '../src/core/remedies';
import {
  balanceOf,
  balanceReads,
  builtInTrip,
  faultStory,
  lowTimeline,
  packPoles,
  sequence,
  simulateTrip,
  tripPack,
} from '../src/core/simulate';
import { commissioningOf } from '../src/core/stations/commission/sheets';
import { dueList, logbook, standOn, TRENDS, trendOf } from '../src/core/stations/logbook';
import { forecast } from '../src/core/stations/plan';
import { jobsOf } from '../src/core/stations/plan/jobs';
import {
  cornersOf,
  groundOf,
  liveEnds,
  Memory,
  roadModel,
  stamp,
  stateOf,
  vehicleOf,
  wiringChanges,
  wiringIssue,
} from '../src/core/vehicle';
import { editAt, largeBuild, PRECHARGE, prechargeNetwork, prechargeSpice, tenYears, withWires } from './cases';

const rounds = Number(process.env.ROUNDS ?? 300);

function time(name: string, times: number, run: (step: number) => void, warm = Math.max(60, times)): number {
  for (let k = 0; k < warm; k++) run(k);
  const spent: number[] = [];
  for (let k = 0; k < times; k++) {
    const start = performance.now();
    run(warm + k);
    spent.push(performance.now() - start);
  }
  spent.sort((p, q) => p - q);
  const at = (share: number) => spent[Math.min(spent.length - 1, Math.floor(share * spent.length))]!.toFixed(2);
  console.log(
    `${name.padEnd(58)} median ${at(0.5).padStart(8)} ms   10 % ${at(0.1).padStart(8)}   90 % ${at(0.9).padStart(8)}`,
  );
  return spent[Math.floor(spent.length / 2)]!;
}

const firn = firn9();
let working = firn;
const memory = new Memory();
time('assess Firn 9 after one edit, six kinds in turn', rounds, (step) => {
  working = applyEdit(working, editAt(step)).build;
  assess(working, { memory });
});
const large = largeBuild();
const largeMemory = new Memory();
time(
  `assess ${Object.keys(large.circuits.hv.conductors).length} conductors after one edit`,
  Math.ceil(rounds / 6),
  (step) => {
    assess(applyEdit(large, editAt(step)).build, { memory: largeMemory });
  },
);
const largeText = buildText(large);
time(
  `read that build from its file (${Math.round(largeText.length / 1000)} kB) and assess it`,
  Math.ceil(rounds / 10),
  () => {
    const read = readBuildText(largeText);
    if (!read.ok) throw new Error(JSON.stringify(read.errors));
    assess(read.build, { memory: largeMemory });
  },
);
const firnVehicle = vehicleOf(firn);
const poles = packPoles(firnVehicle)!;
time('every conductor of Firn 9 shorted to both poles, to the end', Math.ceil(rounds / 10), () => {
  for (const conductor of firnVehicle.conductors)
    for (const pole of [poles.minus, poles.plus]) faultStory(firnVehicle, conductor.nodeB, pole, 'highest');
});
const vehicle = vehicleOf(large);
const elements = stamp(vehicle, { state: stateOf('cruise'), corner: cornersOf(large)[0]!, temperatureOf: () => 40 });
time('operating point of that network, from nothing', Math.ceil(rounds / 10), () => {
  operatingPoint({ elements, ground: groundOf(vehicle)! });
});
const design = sequence.sequenceDesign(firnVehicle);
if (sequence.isDesign(design)) {
  time('the sequence of Firn 9 searched', 3, () => void sequence.search(design), 1);
  const board = new Board(firnVehicle, design);
  board.set('key', true);
  time(
    'ten seconds of its test board',
    5,
    () => {
      for (let k = 0; k < 10 / STEP_S; k++) board.step();
    },
    1,
  );
}
const wired = withWires(firn, 400);
const wiredAt = wiringIssue({ build: wired, memory: new Memory() }, '2026-05-02');
const issued = applyEdit(wired, {
  edit: 'issueWiring',
  input: { issue: wiringIssue({ build: firn, memory: new Memory() }, '2026-05-02') },
}).build;
time(
  `harness of ${Object.keys(wiredAt.wires).length} wires made anew, held against its list, loose ends followed`,
  Math.ceil(rounds / 4),
  () => {
    const fresh = { build: issued, memory: new Memory() };
    if (wiringChanges(fresh)!.length === 0) throw new Error('nothing changed');
    liveEnds(fresh);
  },
);
time('jobs of Firn 9, its schedule and forecast', Math.ceil(rounds / 4), () => {
  const jobs = jobsOf({ build: firn, memory: new Memory() });
  forecast(jobs, Object.values(firn.plan!.waits!), { from: '2026-05-04', hoursPerWeek: 12 });
});
const assessed = assess(firn, { memory });
const oldCar = assess(tenYears(), { memory: new Memory() });
time('logbook of ten years, a thousand entries: judged, due list, trends', Math.ceil(rounds / 4), () => {
  for (const rule of logbook.rules) rule.judge(oldCar.context);
  const { entries, tasks } = logbook.results(oldCar.context);
  dueList(tasks, entries, standOn(entries, '2035-11-01'));
  for (const id of TRENDS) trendOf(oldCar.build, id);
});
time('test sheets of Firn 9 with their signatures', Math.ceil(rounds / 4), () => {
  commissioningOf({ ...assessed.context });
});
time('chapters of the build pack of Firn 9', Math.ceil(rounds / 20), () => {
  pagesOf(chaptersOf(assessed, '2026-05-04'), imprintOf(assessed, '2026-05-04'), {});
});
const failing = assess(firn).checks.filter((check) => check.verdict === 'fails');
time('remedies for one failing check of Firn 9', Math.ceil(rounds / 20), (step) => {
  findRemedies(firn, failing[step % failing.length]!, 3, { memory });
});
console.log(`  (failing: ${failing.map(checkKey).join(', ')})`);

time('size all cables of Firn 9', Math.ceil(rounds / 15), () => {
  sizeCables(firn, { conductorIds: Object.keys(firn.circuits.hv.conductors), comfort: 0.1, memory });
});
time(
  'size all cables of the large build',
  2,
  () => {
    sizeCables(large, { conductorIds: Object.keys(large.circuits.hv.conductors), comfort: 0.1, memory: largeMemory });
  },
  1,
);
time('a trial of a drag on the plan: place the rear box, assess', Math.ceil(rounds / 5), (step) => {
  assess(
    applyEdit(firn, {
      edit: 'placeDevice',
      input: { deviceId: 'box-rear', xM: 2.75 - (step % 40) / 100, zoneId: 'zone-boot' },
    }).build,
    { memory: memory.trial },
  );
});
time(
  'a cold night in rain through the 12-volt circuit, half an hour',
  5,
  (step) => {
    lowTimeline(firnVehicle, {
      scenario: 'night-rain-cold',
      socStart: 0.8 - step / 1000,
      batteryC: -12,
      converters: true,
      stepS: 4,
    });
  },
  2,
);

const country = builtInTrip('country');
const hour = Math.ceil(3600 / country.speedsMPerS.length);
const repeat = (values: readonly number[]) =>
  Array.from({ length: hour }, () => values)
    .flat()
    .slice(0, 3601);
const trace = { name: 'an hour', speedsMPerS: repeat(country.speedsMPerS), grades: repeat(country.grades) };
time('an hour of driving at 1 Hz, pack, heat and gears', Math.ceil(rounds / 10), () => {
  simulateTrip(roadModel(firn)!, tripPack(firnVehicle)!, trace, {
    socStart: 0.9,
    health: 1,
    ambientC: 15,
    auxiliaryW: 1100,
    braking: { share: 0.6, torqueShare: 1, mostW: 23200, unlitMPerS2: null },
    mostW: 58000,
  });
});

const network = prechargeNetwork();
const options = {
  // As fine as ngspice is asked to be below.
  tolerance: 1e-5,
  stopS: PRECHARGE.stopS,
  initial: 'rest' as const,
  thresholds: [{ id: '95', a: 'q', b: '0', voltageV: 0.95 * PRECHARGE.packV, direction: 'rising' as const }],
};
const ours = time('precharge transient, two capacitors and a bleed', rounds, () => {
  transient(network, options);
});
const followed = transient(network, options);
if (!followed.converged) throw new Error(followed.reason);
const t95 = followed.crossingsS.get('95')![0]!;
const plain =
  -(PRECHARGE.resistorOhm + PRECHARGE.packOhm) * (PRECHARGE.capacitanceF + PRECHARGE.secondF) * Math.log(0.05);
console.log(
  `  95 % after ${(t95 * 1000).toFixed(3)} ms; plain RC without bleed ${(plain * 1000).toFixed(3)} ms (${(100 * (t95 / plain - 1)).toFixed(2)} %)`,
);

const file = join(tmpdir(), 'ropeway-precharge.cir');
writeFileSync(file, prechargeSpice());
const probe = spawnSync('ngspice', ['-b', file], { encoding: 'utf8' });
if (probe.error) console.log('  ngspice is not installed: no second opinion (Debian: apt-get install ngspice)');
else {
  const theirs95 = Number(/t95\s*=\s*([-+.\deE]+)/.exec(probe.stdout)?.[1]);
  const theirs = time('the same circuit in ngspice, process included', 15, () => {
    spawnSync('ngspice', ['-b', file]);
  });
  const empty = join(tmpdir(), 'ropeway-empty.cir');
  writeFileSync(empty, '* nothing\nR1 a 0 1\nV1 a 0 1\n.op\n.end\n');
  const start = time('ngspice with nothing to do', 15, () => {
    spawnSync('ngspice', ['-b', empty]);
  });
  console.log(
    `  95 % there after ${(theirs95 * 1000).toFixed(3)} ms: ours differs by ${(100 * (t95 / theirs95 - 1)).toFixed(3)} %`,
  );
  console.log(
    `  ours is ${(theirs / ours).toFixed(0)} times as fast with its start, ${((theirs - start) / ours).toFixed(0)} times without`,
  );
}

// 100 cells, ten rows a second: the log in pieces as a stream gives them.
const PIECE = 65_536;
const drive = { cells: 100, rows: 12_000, everyS: 0.1, restV: () => 3.6, ohm: () => 0.001 };
const settings = { lowV: 3.3, restA: 2, stepA: 20 };
function through(
  name: string,
  text: string,
  database: string | null,
  unit: (bytes: Uint8Array) => readonly [number, string],
) {
  const bytes = new TextEncoder().encode(text);
  const start = bytes.subarray(0, HEAD_BYTES);
  const opened = openLog(start, database);
  if (opened.kind === 'unknown') throw new Error(opened.problem.why);
  const ms = time(
    name,
    5,
    () => {
      const log = logReader(start, database, opened, settings);
      for (let at = 0; at < bytes.length; at += PIECE) log.push(bytes.subarray(at, at + PIECE));
      log.end();
    },
    2,
  );
  const [many, of] = unit(bytes);
  console.log(`${''.padEnd(58)} ${((1000 * many) / ms).toFixed(0)} ${of} a second`);
}
through('a log of columns', madeCsv(drive), null, (bytes) => [bytes.length / 1e6, 'MB']);
through('a log of frames', madeFrames(drive), madeDatabase(100), () => [drive.rows * 26, 'frames']);

const reads = balanceReads(vehicleOf(firn9()));
if ('cells' in reads)
  time('90 cells charged and balanced over a day', 5, () => balanceOf({ ...reads, other: null }), 2);
