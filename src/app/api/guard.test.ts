import { describe, expect, test } from 'vitest';
import { guard } from './guard';

const asked = (more: Record<string, string> = {}, lan: readonly string[] = []) =>
  guard(new Headers({ host: '127.0.0.1:4300', 'content-type': 'application/json', ...more }), lan);

describe('who may ask the API', () => {
  test('programs and own pages of this machine', () => {
    expect(asked()).toBeNull();
    expect(asked({ 'content-type': 'application/json; charset=utf-8' })).toBeNull();
    expect(asked({ origin: 'http://127.0.0.1:4300', 'sec-fetch-site': 'same-origin' })).toBeNull();
    expect(asked({ host: 'localhost:4300', origin: 'http://localhost:4300' })).toBeNull();
    expect(asked({ host: '[::1]:4300' })).toBeNull();
  });
  test('devices of the local network only under an address that somebody said yes to', () => {
    const lan = ['192.168.1.7:4300'];
    expect(asked({ host: lan[0]!, origin: 'http://192.168.1.7:4300' }, lan)).toBeNull();
    expect(asked({ host: '192.168.1.7:4301' }, lan)!.status).toBe(403);
    expect(asked({ host: '192.168.1.7:4300.evil.example' }, lan)!.status).toBe(403);
    expect(asked({ host: lan[0]!, origin: 'http://evil.example' }, lan)!.status).toBe(403);
  });
  test.each([
    [{ host: 'evil.example:4300' }, 403],
    [{ host: '127.0.0.1.evil.example' }, 403],
    [{ host: '192.168.1.7:4300' }, 403],
    [{ host: '' }, 403],
    [{ origin: 'http://evil.example' }, 403],
    [{ origin: 'null' }, 403],
    // The same machine, another port: another program’s page.
    [{ origin: 'http://127.0.0.1:9999' }, 403],
    [{ 'sec-fetch-site': 'cross-site' }, 403],
    [{ 'sec-fetch-site': 'same-site' }, 403],
    [{ 'content-type': 'text/plain' }, 415],
    [{ 'content-type': '' }, 415],
    [{ 'content-type': 'application/x-www-form-urlencoded' }, 415],
  ])('not %o', (more, status) => {
    const refused = asked(more as unknown as Record<string, string>)!;
    expect(refused.status).toBe(status);
    expect(refused.errors[0]!.remedy.length).toBeGreaterThan(10);
  });
});
