// Dependency rule: fails on any arrow that the architecture does not draw, and when nothing was looked at.
import { spawnSync } from 'node:child_process';
import { bin, root } from './lib.mjs';

const result = spawnSync(bin('depcruise'), ['src', '--config', '.dependency-cruiser.cjs', '--output-type', 'json'], {
  cwd: root,
  maxBuffer: 1 << 28,
});
let report;
try {
  report = JSON.parse(result.stdout.toString());
} catch {
  process.stderr.write(`dependency-cruiser did not answer: ${result.stderr.toString().slice(0, 2000)}\n`);
  process.exit(1);
}
const modules = report.modules.filter((module) => module.source.startsWith('src/'));
const arrows = modules.reduce((sum, module) => sum + module.dependencies.length, 0);
const found = report.summary.violations;
for (const { rule, from, to } of found) process.stderr.write(`${rule.name}: ${from} → ${to}\n`);
// With a TypeScript that it can't read the tool passes silently on nothing.
if (modules.length < 50 || arrows < 100) {
  process.stderr.write(`only ${modules.length} modules with ${arrows} imports were read: the rule proves nothing\n`);
  process.exit(1);
}
process.stdout.write(`${modules.length} modules, ${arrows} imports, ${found.length} forbidden\n`);
process.exit(found.length === 0 ? 0 : 1);
