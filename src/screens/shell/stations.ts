/** Address of a station's screen for a build. */
export const stationHref = (id: string, buildId: string): string => `/${id}?build=${encodeURIComponent(buildId)}`;
