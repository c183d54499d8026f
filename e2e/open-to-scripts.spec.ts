import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';

test('the laws answer over HTTP as on the command line, and refuse with 400 and no stack', async ({ request }) => {
  const good = await request.post('/api/calc/discharge', {
    data: [{ startVoltageV: 400, linkCapacitanceF: 0.001, bleedResistanceOhm: 22000 }],
  });
  expect(good.status()).toBe(200);
  // 22 s · ln(400/60) = 41.74 s by hand.
  expect((await good.json())[0].result.timeToTargetS).toBeCloseTo(41.737, 2);
  for (const [path, data, status] of [
    ['/api/calc/discharge', { startVoltageV: -1 }, 400],
    ['/api/calc/nothing', {}, 404],
    ['/api/calc/discharge', 'x'.repeat(2_100_000), 413],
    ['/api/assess', { format: 'x' }, 400],
  ] as const) {
    const answer = await request.post(path, { data, headers: { 'content-type': 'application/json' } });
    expect(answer.status()).toBe(status);
    const text = await answer.text();
    const { ok, errors } = JSON.parse(text);
    expect(ok).toBe(false);
    expect(errors[0]).toMatchObject({
      path: expect.any(String),
      reason: expect.any(String),
      remedy: expect.any(String),
    });
    expect(text).not.toMatch(/\bat .*\.(js|ts):\d+/);
  }
  const broken = await request.post('/api/assess', {
    data: '{"format":',
    headers: { 'content-type': 'application/json' },
  });
  expect(broken.status()).toBe(400);
});

test('a build file is assessed over HTTP', async ({ request }) => {
  const answer = await request.post('/api/assess', {
    data: JSON.parse(readFileSync('samples/firn-9.ropeway.json', 'utf8')),
  });
  const body = await answer.json();
  expect(body).toMatchObject({ ok: true, outcome: 'fails', build: { name: 'Firn 9' } });
  expect(body.caution).toContain('Prove dead');
  const failing = body.checks.filter((check: { verdict: string }) => check.verdict === 'fails');
  expect(failing.map((check: { id: string }) => check.id)).toEqual(['fuse.dc-voltage', 'fuse.cable-overload']);
});

test('every page comes with a policy that lets in no inline script but the named ones and nothing from elsewhere', async ({
  page,
  request,
}) => {
  for (const path of ['/', '/pack', '/hv-circuit', '/cables', '/files', '/parts', '/sums']) {
    const policy = (await request.get(path)).headers()['content-security-policy']!;
    const script = policy.split('; ').find((one) => one.startsWith('script-src'))!;
    expect(script).toMatch(/^script-src 'self'( 'sha256-[A-Za-z0-9+/=]+')+$/);
    expect(policy).not.toMatch(/https?:|unsafe-eval|\*/);
  }
  const refused: string[] = [];
  page.on('console', (message) => {
    if (message.text().includes('Content Security Policy')) refused.push(message.text());
  });
  await page.goto('/sums');
  await expect(page.getByRole('heading', { name: 'Quick sums' })).toBeVisible();
  expect(refused).toEqual([]);
  await page.evaluate(() => {
    const script = document.createElement('script');
    script.textContent = 'document.title = "taken over"';
    document.body.append(script);
  });
  expect(await page.title()).toBe('Ropeway');
  expect(refused.length).toBe(1);
});

test('only this machine’s own may ask: no other page, no other name, no text that needs no leave', async ({
  request,
}) => {
  const data = { startVoltageV: 400, linkCapacitanceF: 0.001, bleedResistanceOhm: 10000 };
  const ask = async (headers: Record<string, string>) =>
    (await request.post('/api/calc/discharge', { data: JSON.stringify(data), headers })).status();
  expect(await ask({ 'content-type': 'application/json' })).toBe(200);
  expect(await ask({ 'content-type': 'text/plain' })).toBe(415);
  expect(await ask({ 'content-type': 'application/json', origin: 'http://evil.example' })).toBe(403);
  expect(await ask({ 'content-type': 'application/json', host: 'evil.example' })).toBe(403);
});

test('fifty questions at once are all answered right, and a long one does not keep short ones waiting for ever', async ({
  request,
}) => {
  const answers = await Promise.all(
    Array.from({ length: 50 }, (_, k) =>
      request.post('/api/calc/discharge', {
        data: { startVoltageV: 100 + k, linkCapacitanceF: 0.001, bleedResistanceOhm: 10000 },
      }),
    ),
  );
  const results = await Promise.all(answers.map((answer) => answer.json()));
  for (const [k, { ok, result }] of results.entries()) {
    expect(ok).toBe(true);
    // τ · ln(V0 / 60 V), τ = 10 s.
    expect(result.timeToTargetS).toBeCloseTo(10 * Math.log((100 + k) / 60), 6);
  }
});

test('under the machine’s other name one comes to the one address that has the builds', async ({ page, baseURL }) => {
  const { port } = new URL(baseURL!);
  await page.goto(`http://localhost:${port}/sums`);
  await expect(page).toHaveURL(`http://127.0.0.1:${port}/sums`);
});
