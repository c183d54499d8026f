// npm run demo: installs, builds, starts on 127.0.0.1 and prints the address. With -- --lan also in the local network, after a question.
import { askLan, showLan } from './lan.mjs';
import { choosePort, ensureBuilt, ensureInstalled, say, startServer, stop } from './lib.mjs';

process.on('uncaughtException', (error) => stop(`It did not start: ${error.message.split('\n')[0]}`));
// Asked first: nobody waits for a build to be told no.
const lan = process.argv.includes('--lan') ? await askLan() : [];
ensureInstalled();
await ensureBuilt();
const port = await choosePort(process.env.PORT, 4300);
const { address } = await startServer(port, { stdio: ['ignore', 'ignore', 'inherit'], lan });
say(`Ropeway is at ${address} - open it, then press "Open Firn 9". Ctrl+C ends it.`);
if (lan.length > 0) await showLan(lan, port);
