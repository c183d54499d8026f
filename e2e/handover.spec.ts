import { type ChildProcess, spawn } from 'node:child_process';
import { request } from 'node:http';
import { expect, test } from '@playwright/test';
import { openSample, saved } from './stories';

/** Another address of this machine stands for its address in the network. */
const PORT = 4199;
const DESK = `http://127.0.0.1:${PORT}`;
const WORKSHOP = `http://127.0.0.2:${PORT}`;
let server: ChildProcess;

const ask = (address: string, path: string, headers: Record<string, string>, body = ''): Promise<number> =>
  new Promise((resolve, reject) => {
    const sent = request(`${address}${path}`, { method: body ? 'POST' : 'GET', headers }, (answer) => {
      answer.resume();
      answer.on('end', () => resolve(answer.statusCode ?? 0));
    });
    sent.on('error', reject);
    sent.end(body);
  });

test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => {
  server = spawn(process.execPath, ['node_modules/next/dist/bin/next', 'start', '-H', '0.0.0.0', '-p', String(PORT)], {
    env: { ...process.env, ROPEWAY_LAN_HOSTS: `127.0.0.2:${PORT}` },
    stdio: 'ignore',
  });
  await expect.poll(() => ask(DESK, '/', {}).catch(() => 0)).toBe(200);
});
test.afterAll(() => {
  server.kill('SIGTERM');
});

test('a second device joins over the local network and receives a build by a code, once', async ({ browser }) => {
  const desk = await browser.newPage({ baseURL: DESK });
  await desk.goto('/');
  await openSample(desk, 'Larkspur');
  await saved(desk);
  await desk.getByRole('link', { name: 'Files' }).click();
  await desk.getByRole('button', { name: 'Make a code' }).click();
  const shown = desk.getByText(/^\d{4} \d{4}$/);
  await expect(shown).toBeVisible();
  const code = (await shown.textContent())!;

  const phone = await (
    await browser.newContext({ baseURL: WORKSHOP, viewport: { width: 390, height: 780 } })
  ).newPage();
  await phone.goto('/');
  await expect(phone.getByText('None yet.')).toBeVisible();
  const field = phone.getByLabel('Code that the other device shows');
  await field.fill('12');
  await field.press('Enter');
  await expect(phone.getByRole('alert').filter({ hasText: 'A code has eight digits.' })).toBeVisible();
  await field.fill(code);
  await phone.getByRole('button', { name: 'Fetch it' }).click();
  await expect(phone).toHaveURL(/\/hv-circuit\?build=/);
  await expect(phone.getByText('Larkspur', { exact: true }).filter({ visible: true }).first()).toBeVisible();
  await saved(phone);

  await phone.goto('/');
  await field.fill(code);
  await field.press('Enter');
  await expect(phone.getByRole('alert').filter({ hasText: 'knows no such code' })).toBeVisible();
});

test('only under the addresses that were said yes to; and without --lan nothing listens beyond this machine’s own', async ({
  baseURL,
}) => {
  const json = { 'content-type': 'application/json' };
  expect(await ask(WORKSHOP, '/', {})).toBe(200);
  expect(await ask(DESK, '/', { host: 'evil.example:4199' })).toBe(403);
  expect(await ask(DESK, '/api/handover', { ...json, host: 'evil.example' }, '{"take":"1"}')).toBe(403);
  expect(await ask(WORKSHOP, '/api/handover', { ...json, origin: 'http://evil.example' }, '{"take":"1"}')).toBe(403);
  expect(await ask(WORKSHOP, '/api/handover', { 'content-type': 'text/plain' }, '{"take":"1"}')).toBe(415);
  // What computes answers this machine alone.
  expect(await ask(WORKSHOP, '/api/assess', json, '{}')).toBe(403);
  // The usual server of these stories was started without it.
  const usual = new URL(baseURL!);
  expect(await ask(usual.origin, '/', {})).toBe(200);
  await expect(ask(`http://127.0.0.2:${usual.port}`, '/', {})).rejects.toThrow(/ECONNREFUSED/);
});
