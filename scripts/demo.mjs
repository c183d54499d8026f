// npm run demo: installs, builds, starts on 127.0.0.1 and prints the address. With -- --lan also in the local network, after a question.
import { choosePort, ensureBuilt, ensureInstalled, say, startServer, stop } from './lib.mjs';

process.on('uncaughtException', (error) => stop(`It did not start: ${error.message.split('\n')[0]}`));
const lan = process.argv.includes('--lan');
ensureInstalled();
await ensureBuilt();
const port = await choosePort(process.env.PORT, 4300);
const { askLan, showLan } = await import('./lan.mjs');
const addresses = lan ? await askLan() : [];
const { address } = await startServer(port, { stdio: ['ignore', 'ignore', 'inherit'], lan: addresses });
say(`Ropeway is at ${address} - open it, then press "Open Firn 9". Ctrl+C ends it.`);
if (lan) await showLan(addresses, port);
