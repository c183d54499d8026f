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
