// Writes the sample builds as files, for the command line and for people to look at.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureInstalled, fromSources, root } from './lib.mjs';

ensureInstalled();
const { SAMPLES } = await fromSources("export { SAMPLES } from './src/core/build/samples';");
for (const { key, make } of SAMPLES)
  writeFileSync(join(root, 'samples', `${key}.ropeway.json`), `${JSON.stringify(make(key), null, 2)}\n`);
