// npm run demo: installs, builds, starts on 127.0.0.1 and prints the address.
import { ensureBuilt, ensureInstalled, say, startServer } from './lib.mjs';

ensureInstalled();
ensureBuilt();
const { address } = await startServer(Number(process.env.PORT ?? 4300), { stdio: ['ignore', 'ignore', 'inherit'] });
say(`Ropeway is at ${address} - open it, then press "Open Firn 9". Ctrl+C ends it.`);
