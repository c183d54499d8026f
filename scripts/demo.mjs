// npm run demo: installs, builds, starts on 127.0.0.1 and prints the address.
import { choosePort, ensureBuilt, ensureInstalled, say, startServer, stop } from './lib.mjs';

process.on('uncaughtException', (error) => stop(`It did not start: ${error.message.split('\n')[0]}`));
ensureInstalled();
await ensureBuilt();
const port = await choosePort(process.env.PORT, 4300);
const { address } = await startServer(port, { stdio: ['ignore', 'ignore', 'inherit'] });
say(`Ropeway is at ${address} - open it, then press "Open Firn 9". Ctrl+C ends it.`);
