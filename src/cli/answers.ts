import { parentPort, workerData } from 'node:worker_threads';
import { assessWithRuns } from '../core/assess';
import { readBuildText } from '../core/build/schema';
import { calculate } from '../core/calc/schema';
import { assessmentJson } from '../core/formats';

/** What the HTTP side asks of a thread: the body as text, so that reading it costs the server nothing. */
export interface Question {
  readonly id: number;
  /** A law’s name; null: all checks of a build file. */
  readonly law: string | null;
  readonly text: string;
}

export interface Answer {
  readonly id: number;
  readonly status: number;
  /** JSON, as it is sent. */
  readonly body: string;
}

const failed = (path: string, reason: string, remedy: string) => ({ ok: false, errors: [{ path, reason, remedy }] });

/** Status and answer of one question; a fault of ours says that it failed, never how the code looks. */
export function answerTo({ law, text }: Pick<Question, 'law' | 'text'>): { status: number; body: unknown } {
  try {
    if (law === null) {
      const read = readBuildText(text);
      return read.ok ? { status: 200, body: assessmentJson(assessWithRuns(read.build)) } : { status: 400, body: read };
    }
    let data: unknown;
    try {
      data = JSON.parse(text.replace(/^\uFEFF/, ''));
    } catch (error) {
      const reason = `is not readable JSON: ${(error as Error).message.slice(0, 120)}.`;
      return { status: 400, body: failed('(body)', reason, 'Send one JSON object.') };
    }
    const answers = calculate(law, data);
    const all = Array.isArray(answers) ? answers : [answers];
    return { status: all.every((one) => one.ok) ? 200 : 400, body: answers };
  } catch {
    return {
      status: 500,
      body: failed('(server)', 'could not compute this.', 'Check the input; if it is right, report it with the input.'),
    };
  }
}

/** What a thread is told that is made for this: others that import the file stay as they are. */
export const MADE_FOR_ANSWERS = 'answers';

const port = workerData === MADE_FOR_ANSWERS ? parentPort : null;
port?.on('message', (question: Question) => {
  const { status, body } = answerTo(question);
  port.postMessage({ id: question.id, status, body: JSON.stringify(body) } satisfies Answer);
});
