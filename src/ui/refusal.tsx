'use client';
import { createContext, useContext } from 'react';

/** Why something was not taken, and what to do. */
export interface Refusal {
  readonly reason: string;
  readonly remedy: string;
}

/** The last refusal of whoever takes what the fields give, another object each time; and that it is said at its field now. */
interface Taker {
  readonly last: () => Refusal | null;
  readonly said: () => void;
}
const Last = createContext<Taker>({ last: () => null, said: () => undefined });
export const Refusals = Last.Provider;

/** Hands something over, and says why it was not taken; null: it was. */
export function useTaken(): (give: () => unknown) => Refusal | null {
  const { last, said } = useContext(Last);
  return (give) => {
    const before = last();
    give();
    const after = last();
    if (after === before || !after) return null;
    said();
    return after;
  };
}
