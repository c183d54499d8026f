import { calculate, findLaw } from '@/core/calc/schema';
import { answer, readBody } from '../../body';

const MOST_BYTES = 2_000_000;

/** One law, or an array of inputs of it: the same answer as on the command line. 400 when any input is refused. */
export function POST(request: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> {
  return answer(async () => {
    const { name } = await params;
    if (!findLaw(name)) return { status: 404, body: calculate(name, null) };
    const body = await readBody(request, MOST_BYTES);
    if (!body.ok) return { status: body.status, body: { ok: false, errors: body.errors } };
    const answers = calculate(name, body.data);
    const all = Array.isArray(answers) ? answers : [answers];
    return { status: all.every((one) => one.ok) ? 200 : 400, body: answers };
  });
}
