// Part of npm run build: the headless command as one file.
import { ensureCommand } from './lib.mjs';

await ensureCommand();
