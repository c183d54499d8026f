import type { RunId, Runs } from '@/core/simulate';

/** A worker that dies without a word keeps nobody waiting longer, ms. */
const MOST_MS = 15_000;

/** Runs that were made, and which are being made: who works beside the bench waits for those instead of making them once more. */
export class RunsAtHand {
  /** Each serves as long as nothing that it read has changed. */
  made: Runs = {};
  private readonly making = new Map<RunId, { readonly done: Promise<void>; readonly end: () => void }>();

  /** It is being made; what was being made under this name before is no longer waited for. */
  begin(id: RunId): void {
    this.end(id);
    let end = () => {};
    const done = new Promise<void>((resolve) => {
      end = resolve;
    });
    this.making.set(id, { done, end });
  }

  take<Id extends RunId>(id: Id, result: NonNullable<Runs[Id]>): void {
    this.made = { ...this.made, [id]: result };
  }

  /** It was made, failed or was broken off: nobody waits for it any more. */
  end(id: RunId): void {
    this.making.get(id)?.end();
    this.making.delete(id);
  }

  /** What there is once nothing is being made, or after so long: who asked then makes the rest by itself. */
  async soon(mostMs = MOST_MS): Promise<Runs> {
    let late = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const end = new Promise<void>((resolve) => {
      timer = setTimeout(() => {
        late = true;
        resolve();
      }, mostMs);
    });
    while (this.making.size > 0 && !late)
      await Promise.race([end, Promise.all([...this.making.values()].map(({ done }) => done))]);
    clearTimeout(timer);
    return this.made;
  }
}
