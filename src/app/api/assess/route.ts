import { assessWithRuns } from '@/core/assess';
import { LARGEST_FILE_BYTES, readBuild } from '@/core/build/schema';
import { assessmentJson } from '@/core/formats';
import { answer, readBody } from '../body';

/** All checks of a build file, as `assess --json` gives them. */
export function POST(request: Request): Promise<Response> {
  return answer(async () => {
    const body = await readBody(request, LARGEST_FILE_BYTES);
    if (!body.ok) return { status: body.status, body: { ok: false, errors: body.errors } };
    const read = readBuild(body.data);
    if (!read.ok) return { status: 400, body: read };
    return { status: 200, body: assessmentJson(assessWithRuns(read.build)) };
  });
}
