import type { Problem } from '@/core/build';
import { guard } from './guard';
import { compute } from './threads';

type Body =
  | { readonly ok: true; readonly text: string }
  | { readonly ok: false; readonly status: number; readonly errors: readonly Problem[] };

const refuse = (status: number, reason: string, remedy: string): Body => ({
  ok: false,
  status,
  errors: [{ path: '(body)', reason, remedy }],
});

/** Reads a body as text and stops at `most` bytes, whatever the request says of its length. */
export async function readBody(request: Request, most: number): Promise<Body> {
  const reader = request.body?.getReader();
  if (!reader) return refuse(400, 'is empty.', 'Send one JSON object.');
  const chunks: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.length;
    // What is too much is read and thrown away, so that the sender gets the answer; far too much is cut off.
    if (size > most) chunks.length = 0;
    else chunks.push(value);
    if (size > 5 * most) {
      void reader.cancel();
      break;
    }
  }
  if (size > most)
    return refuse(413, `is larger than ${most / 1_000_000} MB.`, 'Send less: one object, or fewer at a time.');
  return { ok: true, text: Buffer.concat(chunks).toString('utf8') };
}

const HEADERS = { 'Content-Type': 'application/json', 'Cache-Control': 'no-store' };
const json = (status: number, body: string) => new Response(body, { status, headers: HEADERS });

/** One question over HTTP: who asks, how much, then the answer of a thread. */
export async function answer(request: Request, law: string | null, most: number): Promise<Response> {
  const refused = guard(request.headers);
  if (refused) return json(refused.status, JSON.stringify({ ok: false, errors: refused.errors }));
  const body = await readBody(request, most);
  if (!body.ok) return json(body.status, JSON.stringify({ ok: false, errors: body.errors }));
  const { status, body: text } = await compute(law, body.text);
  return json(status, text);
}
