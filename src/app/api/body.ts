import type { Problem } from '@/core/build';

type Body =
  | { readonly ok: true; readonly data: unknown }
  | { readonly ok: false; readonly status: number; readonly errors: readonly Problem[] };

const refuse = (status: number, reason: string, remedy: string): Body => ({
  ok: false,
  status,
  errors: [{ path: '(body)', reason, remedy }],
});

/** Reads a JSON body and stops at `most` bytes, whatever the request says of its length. */
export async function readBody(request: Request, most: number): Promise<Body> {
  const tooLarge = () =>
    refuse(413, `is larger than ${most / 1_000_000} MB.`, 'Send less: one object, or fewer at a time.');
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
  if (size > most) return tooLarge();
  try {
    return {
      ok: true,
      data: JSON.parse(
        Buffer.concat(chunks)
          .toString('utf8')
          .replace(/^\uFEFF/, ''),
      ),
    };
  } catch (error) {
    return refuse(400, `is not readable JSON: ${(error as Error).message.slice(0, 120)}.`, 'Send one JSON object.');
  }
}

/** An answer as JSON; a failure inside says that it failed, never how the code looks. */
export async function answer(work: () => Promise<{ status: number; body: unknown }>): Promise<Response> {
  try {
    const { status, body } = await work();
    return Response.json(body, { status, headers: { 'Cache-Control': 'no-store' } });
  } catch {
    const errors: Problem[] = [
      {
        path: '(server)',
        reason: 'could not compute this.',
        remedy: 'Check the input; if it is right, report it with the input.',
      },
    ];
    return Response.json({ ok: false, errors }, { status: 500 });
  }
}
