import { LARGEST_FILE_BYTES } from '@/core/build/schema';
import { readBody } from '../body';
import { guard, lanHosts } from '../guard';
import { Handover } from './handover';

const handover = new Handover();
const json = (status: number, body: unknown) =>
  new Response(JSON.stringify(body), {
    status,
    headers: { 'Content-Type': 'application/json', 'Cache-Control': 'no-store' },
  });
const refuse = (status: number, reason: string, remedy: string) =>
  json(status, { ok: false, errors: [{ path: '(handover)', reason, remedy }] });

/** `{ "offer": text }` keeps a build for another device and answers its code; `{ "take": code }` hands it over, once. */
export async function POST(request: Request): Promise<Response> {
  const refused = guard(request.headers, lanHosts());
  if (refused) return json(refused.status, { ok: false, errors: refused.errors });
  const body = await readBody(request, 2 * LARGEST_FILE_BYTES);
  if (!body.ok) return json(body.status, { ok: false, errors: body.errors });
  let asked: unknown;
  try {
    asked = JSON.parse(body.text);
  } catch {
    return refuse(400, 'is not JSON.', 'Send { "offer": text } or { "take": code }.');
  }
  const { offer, take } = (asked ?? {}) as { readonly offer?: unknown; readonly take?: unknown };
  if (typeof offer === 'string') {
    if (offer.length > LARGEST_FILE_BYTES)
      return refuse(413, `is larger than ${LARGEST_FILE_BYTES / 1_000_000} MB.`, 'Take it over as a file.');
    const offered = handover.offer(offer);
    return offered
      ? json(200, { ok: true, ...offered })
      : refuse(429, 'holds four builds already.', 'Fetch one of them, or wait ten minutes.');
  }
  if (typeof take === 'string') {
    const taken = handover.take(take);
    if (taken.ok) return json(200, taken);
    return taken.why === 'locked'
      ? refuse(429, 'was tried with ten wrong codes: everything that waited is dropped.', 'Make a fresh code.')
      : refuse(404, 'knows no such code: it is wrong, used already, or older than ten minutes.', 'Make a fresh code.');
  }
  return refuse(400, 'asks for nothing.', 'Send { "offer": text } or { "take": code }.');
}
