/** Said of every figure of the catalogue: typical of its kind, no maker’s. */
export const generic = { provenance: 'generic' } as const;
