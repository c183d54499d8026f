import { calculate, findLaw } from '@/core/calc/schema';
import { answer } from '../../body';

const MOST_BYTES = 2_000_000;

/** One law, or an array of inputs of it: the same answer as on the command line. 400 when any input is refused. */
export async function POST(request: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> {
  const { name } = await params;
  if (!findLaw(name)) return Response.json(calculate(name, null), { status: 404 });
  return answer(request, name, MOST_BYTES);
}
