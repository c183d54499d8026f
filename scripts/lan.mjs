// npm run demo -- --lan: who may reach it, asked before anything listens, and how they get there.
import { networkInterfaces } from 'node:os';
import { createInterface } from 'node:readline/promises';
import { say, stop } from './lib.mjs';

/** Addresses of this machine in its networks: IPv4, none of its own loopback. */
export const lanAddresses = (interfaces = networkInterfaces()) =>
  Object.values(interfaces)
    .flat()
    .filter((one) => one && one.family === 'IPv4' && !one.internal)
    .map(({ address }) => address);

/** Asks once, in words that say what it means. Anything but yes ends it. */
export async function askLan() {
  const addresses = lanAddresses();
  if (addresses.length === 0) stop('--lan: this machine is in no network. Join one, or start without --lan.');
  say(
    `With --lan every device in this network can open the pages at ${addresses.join(', ')}, unencrypted, until you end it. Your builds stay in this browser: another device sees one only when you make a code for it. Do it in a network that you know.`,
  );
  if (!process.stdin.isTTY)
    stop('--lan asks a question and needs a terminal to answer it. Start it in one, or start without --lan.');
  const ask = createInterface({ input: process.stdin, output: process.stderr });
  const answer = await ask.question('  Type yes to go on: ');
  ask.close();
  if (answer.trim().toLowerCase() !== 'yes') stop('Not started. Without --lan it listens on this machine alone.');
  return addresses;
}

/** The addresses as text, each with a QR code for the telephone’s camera. */
export async function showLan(addresses, port) {
  const { default: qrcode } = await import('qrcode-generator');
  for (const address of addresses) {
    const url = `http://${address}:${port}`;
    const code = qrcode(0, 'M');
    code.addData(url);
    code.make();
    process.stderr.write(`\n${code.createASCII(1, 2)}\n  ${url}\n`);
  }
  say('On the other device: All builds, “From another device”. The code is made in Files. Ctrl+C ends it.');
}
