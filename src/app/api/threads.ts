import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { type Answer, answerTo, MADE_FOR_ANSWERS, type Question } from '@/cli/answers';

/** So many are worked on at once, and so many wait; a thread may hold so much. */
const THREADS = 2;
const MOST_WAITING = 200;
/** All texts that wait, characters: five of the largest files. */
const MOST_WAITING_TEXT = 100_000_000;
const MOST_MB = 700;
/** A whole build of the largest size takes a tenth of it. */
export const BUDGET_MS = 20_000;

export interface Said {
  readonly status: number;
  readonly body: string;
}

interface Job extends Question {
  readonly done: (said: Said) => void;
}

const said = (status: number, reason: string, remedy: string): Said => ({
  status,
  body: JSON.stringify({ ok: false, errors: [{ path: '(server)', reason, remedy }] }),
});

/**
 * Threads that compute what is asked over HTTP, so that no question keeps the server from answering others: each has a budget of time and of
 * memory, and one that goes over it is ended with its thread.
 */
export class Threads {
  private readonly idle: Worker[] = [];
  private readonly waiting: Job[] = [];
  private made = 0;
  private count = 0;
  private waitingText = 0;

  constructor(
    private readonly file: string,
    private readonly budgetMs = BUDGET_MS,
  ) {}

  ask(law: string | null, text: string): Promise<Said> {
    // One question by itself is never too much: its body has a limit of its own.
    const full = this.waiting.length > 0 && this.waitingText + text.length > MOST_WAITING_TEXT;
    if (this.waiting.length >= MOST_WAITING || full)
      return Promise.resolve(said(503, 'has too much to do.', 'Ask again in a while, fewer at a time.'));
    return new Promise((done) => {
      this.waiting.push({ id: this.count++, law, text, done });
      this.waitingText += text.length;
      this.next();
    });
  }

  private next(): void {
    if (this.waiting.length === 0) return;
    const worker = this.idle.pop() ?? (this.made < THREADS ? this.make() : null);
    if (!worker) return;
    const job = this.waiting.shift()!;
    this.waitingText -= job.text.length;
    this.run(worker, job);
  }

  private make(): Worker {
    this.made++;
    const worker = new Worker(this.file, {
      workerData: MADE_FOR_ANSWERS,
      resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
    });
    // It must not keep a server from ending.
    worker.unref();
    return worker;
  }

  private run(worker: Worker, { done, ...question }: Job): void {
    let ended = false;
    const end = (answer: Said, alive: boolean) => {
      if (ended) return;
      ended = true;
      clearTimeout(budget);
      worker.off('message', told);
      worker.off('error', broke);
      if (alive) this.idle.push(worker);
      else {
        this.made--;
        // Its end may come with an error that nobody waits for any more.
        worker.on('error', () => undefined);
        void worker.terminate();
      }
      done(answer);
      this.next();
    };
    const told = ({ status, body }: Answer) => end({ status, body }, true);
    const broke = () => end(said(503, 'needed more memory than one question gets.', 'Send less at a time.'), false);
    const budget = setTimeout(
      () =>
        end(
          said(
            503,
            `found no answer within ${this.budgetMs / 1000} s.`,
            'Send less at a time; if it is one usual build, report it.',
          ),
          false,
        ),
      this.budgetMs,
    );
    worker.on('message', told);
    worker.on('error', broke);
    worker.postMessage(question satisfies Question);
  }
}

const FILE = join(/* turbopackIgnore: true */ process.cwd(), 'dist', 'answers.mjs');
let threads: Threads | null = null;

/** By a thread; where none was built (a development server) here. */
export async function compute(law: string | null, text: string): Promise<Said> {
  if (!existsSync(FILE)) {
    const { status, body } = answerTo({ law, text });
    return { status, body: JSON.stringify(body) };
  }
  threads ??= new Threads(FILE);
  return threads.ask(law, text);
}
