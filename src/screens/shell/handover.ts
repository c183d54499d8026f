export type Answer<T> =
  | ({ readonly ok: true } & T)
  | { readonly ok: false; readonly reason: string; readonly remedy: string };

/** Asks the server that these pages came from; without it there is no other device to hand to. */
export async function askHandover<T>(
  asked: { readonly offer: string } | { readonly take: string },
): Promise<Answer<T>> {
  try {
    const response = await fetch('/api/handover', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(asked),
    });
    const answer = (await response.json()) as
      | ({ readonly ok: true } & T)
      | { readonly ok: false; readonly errors: readonly { readonly reason: string; readonly remedy: string }[] };
    if (answer.ok) return answer;
    const [first] = answer.errors;
    return { ok: false, reason: first?.reason ?? 'was refused.', remedy: first?.remedy ?? '' };
  } catch {
    return { ok: false, reason: 'got no answer: the server is not running.', remedy: 'Start it again, or use a file.' };
  }
}
