// The headless command: bundled by npm run build, or here when the sources have changed since; then run.
import { pathToFileURL } from 'node:url';
import { ensureCommand, ensureInstalled } from './lib.mjs';

ensureInstalled({ quiet: true });
await import(pathToFileURL(await ensureCommand()).href);
