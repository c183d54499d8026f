/** 1 when every word that was typed is in the text, in whatever order; else 0. */
export const wordsMatch = (text: string, typed: string): 0 | 1 => {
  const all = text.toLowerCase();
  return typed
    .toLowerCase()
    .split(/\s+/)
    .every((word) => all.includes(word))
    ? 1
    : 0;
};
