/** Address of a station's screen for a build. */
export const stationHref = (id: string, buildId: string): string => `/${id}?build=${encodeURIComponent(buildId)}`;

/** The same with one thing to look at there. */
export const pickHref = (id: string, buildId: string, thing: string): string =>
  `${stationHref(id, buildId)}#${new URLSearchParams({ pick: thing })}`;
/** The thing that the address names; null: none. It is only ever compared with what is there. */
export const pickedInAddress = (): string | null => new URLSearchParams(location.hash.slice(1)).get('pick');
