// npm run verdicts: the table of verdicts of the samples, kept so that no change of it goes unseen. Say in the commit why it changed.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureInstalled, fromSources, root } from './lib.mjs';

ensureInstalled();
const { SAMPLES, verdictTable } = await fromSources(
  `export { SAMPLES } from './src/core/build/samples'; export { verdictTable } from './src/core/testing/verdicts/table';`,
);
for (const { key, make } of SAMPLES)
  writeFileSync(join(root, 'src', 'core', 'testing', 'verdicts', `${key}.txt`), verdictTable(make(key)));
