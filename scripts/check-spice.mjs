// npm run check:spice: every solvable case of every sample as SPICE text through ngspice (Debian: apt-get install ngspice),
// node voltages compared with ours. For developers; npm test does not need it.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureInstalled, fromSources, stop } from './lib.mjs';

ensureInstalled();
if (spawnSync('ngspice', ['--version']).error) stop('ngspice is missing: apt-get install ngspice');
const { SAMPLES, assess, spiceExport } = await fromSources(
  `export { SAMPLES } from './src/core/build/samples'; export { assess } from './src/core/assess'; export { spiceExport } from './src/core/formats';`,
);
const folder = mkdtempSync(join(tmpdir(), 'ropeway-spice-'));

let worst = 0;
let compared = 0;
for (const sample of SAMPLES) {
  const { vehicle } = assess(sample.make(sample.key));
  for (const solved of vehicle.cases.filter(({ point }) => point.solvable)) {
    const { text, nodeNames, ground } = spiceExport(vehicle, solved);
    const file = join(folder, 'case.cir');
    writeFileSync(file, text.replace(/\.end\n$/, '.control\nop\nprint all\n.endc\n.end\n').replace('.op\n', ''));
    const { stdout } = spawnSync('ngspice', ['-b', file], { encoding: 'utf8' });
    const voltages = new Map([...stdout.matchAll(/^(\w+) = (\S+)$/gm)].map(([, name, value]) => [name, Number(value)]));
    const scale = Math.max(...[...solved.point.nodeVoltagesV.values()].map(Math.abs));
    let off = 0;
    for (const [node, name] of nodeNames) {
      const theirs = voltages.get(name.toLowerCase());
      // A part that hangs free of ground has a voltage of its own choice in both.
      if (theirs === undefined || solved.point.referenceOf.get(node) !== ground) continue;
      off = Math.max(off, Math.abs(theirs - solved.point.nodeVoltagesV.get(node)) / scale);
      compared++;
    }
    worst = Math.max(worst, off);
    process.stdout.write(`${solved.id.padEnd(48)} ${off.toExponential(1)}\n`);
  }
}
process.stdout.write(
  `${compared} node voltages, largest difference ${worst.toExponential(1)} of the highest voltage\n`,
);
if (compared === 0 || worst > 1e-3) stop('the two do not agree');
