import { type Remote, wrap } from 'comlink';

const deathOf = (event: ErrorEvent, who = 'the worker'): Error => new Error(event.message || `${who} stopped`);

export interface Asked<T> {
  readonly answer: Promise<T>;
  /** Breaks it off at once: the worker is thrown away and the answer stays open. */
  readonly stop: () => void;
}

/** One question to a worker of its own, which ends with the answer. Its death is told in words (`who` it was); a hostile file can at worst end it. */
export function askOnce<Api, T>(worker: Worker, question: (remote: Remote<Api>) => Promise<T>, who?: string): Asked<T> {
  const answer = new Promise<T>((resolve, reject) => {
    worker.onerror = (event) => reject(deathOf(event, who));
    question(wrap<Api>(worker)).then(resolve, reject);
  }).finally(() => worker.terminate());
  return { answer, stop: () => worker.terminate() };
}

/**
 * A worker that is kept for the next question. A dead one never answers: everybody who waits is told, and the next question starts a fresh
 * one.
 */
export class KeptWorker<Api> {
  private kept: { readonly worker: Worker; readonly remote: Remote<Api> } | null = null;
  private readonly waiting = new Set<(reason: Error) => void>();

  constructor(private readonly start: () => Worker) {}

  ask<T>(question: (remote: Remote<Api>) => Promise<T>): Promise<T> {
    const { remote } = this.running();
    return new Promise<T>((resolve, reject) => {
      this.waiting.add(reject);
      question(remote)
        .then(resolve, reject)
        .finally(() => this.waiting.delete(reject));
    });
  }

  /** Throws it away at once; what was asked stays open, unless there is a reason to tell. */
  end(reason: Error | null = null): void {
    this.kept?.worker.terminate();
    this.kept = null;
    const waiting = [...this.waiting];
    this.waiting.clear();
    if (reason) for (const reject of waiting) reject(reason);
  }

  private running() {
    if (this.kept) return this.kept;
    const worker = this.start();
    worker.onerror = (event) => {
      if (this.kept?.worker === worker) this.end(deathOf(event));
    };
    this.kept = { worker, remote: wrap<Api>(worker) };
    return this.kept;
  }
}
