import type { Problem } from '../build';
import { readCsv, readNumber } from './csv';
import { gpxPoints } from './gpx';
import { cleanTrack, type Rejected } from './trip-clean';

/** A trip from a file: one point a second, and what was left out of it. */
export interface ReadTrip {
  readonly ok: true;
  readonly name: string;
  readonly speedsMPerS: readonly number[];
  readonly grades: readonly number[];
  readonly distanceM: number;
  /** In words: points that were rejected and why, what was missing. */
  readonly notes: readonly string[];
  /** When points were left out, s from the start. */
  readonly rejectedS: readonly number[];
  /** Once a second, m: as read, and as the smoothed grades climb; null: taken as flat. */
  readonly heights: { readonly asReadM: readonly number[]; readonly asDrivenM: readonly number[] } | null;
}
export type TripFile = ReadTrip | { readonly ok: false; readonly errors: readonly Problem[] };

interface Sample {
  readonly t: number;
  /** m along the way. */
  readonly d: number;
  /** m above sea, null: not known. */
  readonly z: number | null;
}

const EARTH_M = 6371008.8;
/** Faster than this between two points is a jump of the receiver, m/s. */
const JUMP_MPS = 70;
/** Ten hours. */
const LONGEST_S = 36000;
/** Heights are averaged over so many metres of way on each side, grades taken across as many. */
const GRADE_M = 40;
const STEEPEST = 0.35;

/** Nothing is known of the way in a pause that is so long, s, and so many times as long as the time between points is wont to be. */
const PAUSE_S = 600;
const PAUSE_TIMES = 20;

/** Pauses in the record, by the point that ends each: it stands there, since where it went meanwhile nobody wrote down. */
function pausesIn(points: readonly { readonly t: number }[]): ReadonlySet<number> {
  const steps = points.slice(1).map(({ t }, k) => t - points[k]!.t);
  const usual = [...steps].sort((p, q) => p - q)[Math.floor(steps.length / 2)] ?? 0;
  const most = Math.max(PAUSE_S, PAUSE_TIMES * usual);
  return new Set(steps.flatMap((step, k) => (step > most ? [k + 1] : [])));
}

function pauseNote(points: readonly { readonly t: number }[], pauses: ReadonlySet<number>): string[] {
  const longest = Math.max(0, ...[...pauses].map((k) => points[k]!.t - points[k - 1]!.t));
  const words = longest >= 3600 ? `${(longest / 3600).toFixed(1)} h` : `${(longest / 60).toFixed(1)} min`;
  return pauses.size === 0
    ? []
    : [`${pauses.size} ${pauses.size === 1 ? 'pause' : 'pauses'} without points, up to ${words}: it stands there`];
}

/** The newest stands first: most steps go back. */
function runsBackwards(points: readonly { readonly t: number }[]): boolean {
  const back = points.filter(({ t }, k) => k > 0 && t < points[k - 1]!.t).length;
  return points.length > 2 && back > 0.9 * (points.length - 1);
}

const BACKWARDS = 'has its time running backwards: the newest point stands first.';

const refuse = (path: string, reason: string, remedy: string): TripFile => ({
  ok: false,
  errors: [{ path, reason, remedy }],
});

/** Reads a track (GPX) or a table (CSV with time and speed, altitude if there is one). */
export function readTripFile(text: string, fileName: string): TripFile {
  const name = fileName.replace(/\.[a-z]+$/i, '').slice(0, 100) || 'Trip';
  return /<gpx[\s>]/i.test(text.slice(0, 2000)) ? readGpx(text, name) : readTable(text, name);
}

interface Fix {
  readonly t: number;
  readonly lat: number;
  readonly lon: number;
  readonly z: number | null;
}

function readGpx(text: string, name: string): TripFile {
  const points = gpxPoints(text);
  if ('reason' in points)
    return refuse('(file)', `is no track that can be read: ${points.reason}.`, 'Export the track anew, as GPX.');
  const fixes: Fix[] = [];
  let broken = 0;
  const figure = (one: string | null): number => (one === null || one === '' ? Number.NaN : Number(one));
  for (const point of points) {
    const [lat, lon, t] = [figure(point.lat), figure(point.lon), instant(point.time ?? '')];
    // A height that no road has is none.
    const ele = figure(point.ele);
    const z = ele >= -500 && ele <= 9000 ? ele : null;
    if (!(Math.abs(lat) <= 90) || !(Math.abs(lon) <= 180) || !Number.isFinite(t)) broken++;
    else fixes.push({ t, lat, lon, z });
  }
  if (points.length === 0)
    return refuse('(file)', 'holds no track points.', 'Export the track with its points, not a route or waypoints.');
  if (runsBackwards(fixes)) return refuse('(file)', BACKWARDS, 'Export the track with its oldest point first.');
  const { kept, rejected, gaps } = cleanTrack(fixes, (p, q) => greatCircle(p, q) <= JUMP_MPS * (q.t - p.t));
  if (kept.length < 2)
    return refuse(
      '(file)',
      'has fewer than two points with a place and a time.',
      'Export it with times: speed comes from them.',
    );
  const pauses = new Set([...pausesIn(kept)].filter((k) => !gaps.has(k)));
  let way = 0;
  const samples = kept.map(({ t, lat, lon, z }, k): Sample => {
    if (k > 0 && !gaps.has(k) && !pauses.has(k)) way += greatCircle(kept[k - 1]!, { lat, lon });
    return { t, d: way, z };
  });
  const count = (why: Rejected) => rejected.filter((one) => one.why === why).length;
  const notes = [
    ...(broken > 0 ? [`${broken} points without place or time left out`] : []),
    ...(count('backwards') > 0 ? [`${count('backwards')} points whose time does not go forward left out`] : []),
    ...(count('jump') > 0 ? [`${count('jump')} jumps above ${Math.round(JUMP_MPS * 3.6)} km/h left out`] : []),
    ...(gaps.size > 0
      ? [`${gaps.size} ${gaps.size === 1 ? 'gap' : 'gaps'} where the receiver was away: it stands there`]
      : []),
    ...pauseNote(kept, pauses),
  ];
  return fromSamples(
    samples,
    name,
    notes,
    rejected.map(({ point }) => point.t),
  );
}

/** Seconds since an arbitrary day from an ISO 8601 date and time with its offset; NaN when it is none. Gregorian calendar by hand: the core has no clock. */
function instant(text: string): number {
  const parts = /^(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2})(?::(\d{2}(?:\.\d+)?))?(Z|[+-]\d{2}:?\d{2})?$/i.exec(
    text.trim(),
  );
  if (!parts) return Number.NaN;
  const [year, month, day, hour, minute] = parts.slice(1, 6).map(Number) as [number, number, number, number, number];
  if (month < 1 || month > 12 || day < 1 || day > 31 || hour > 24 || minute > 59) return Number.NaN;
  // Days since 1 March of year 0, months counted from March.
  const m = (month + 9) % 12;
  const y = year - Math.floor(m / 10);
  const days =
    365 * y + Math.floor(y / 4) - Math.floor(y / 100) + Math.floor(y / 400) + Math.floor((m * 306 + 5) / 10) + day - 1;
  const zone = parts[7] ?? 'Z';
  const offset = /^z$/i.test(zone)
    ? 0
    : (zone.startsWith('-') ? -1 : 1) * (Number(zone.slice(1, 3)) * 60 + Number(zone.slice(-2)));
  return days * 86400 + hour * 3600 + (minute - offset) * 60 + Number(parts[6] ?? 0);
}

function greatCircle(p: { lat: number; lon: number }, q: { lat: number; lon: number }): number {
  const rad = Math.PI / 180;
  const a =
    Math.sin(((q.lat - p.lat) * rad) / 2) ** 2 +
    Math.cos(p.lat * rad) * Math.cos(q.lat * rad) * Math.sin(((q.lon - p.lon) * rad) / 2) ** 2;
  return 2 * EARTH_M * Math.asin(Math.min(1, Math.sqrt(a)));
}

function readTable(text: string, name: string): TripFile {
  const read = readCsv(text);
  if (!read.ok) return read;
  const { columns, rows } = read.table;
  const find = (pattern: RegExp) => columns.find((column) => pattern.test(column));
  const timeColumn = find(/^(time|t|zeit|seconds|s)\b/);
  const speedColumn = find(/^(speed|v|velocity)\b/);
  const heightColumn = find(/^(alt|ele|height|z)/);
  if (!timeColumn || !speedColumn)
    return refuse(
      'line 1',
      'names no column for time and none for speed.',
      'Call them "time s" and "speed km/h" (or "speed m/s").',
    );
  if (!/km|kph|mph|mi|m\/s|mps|m s/.test(speedColumn))
    return refuse(
      'line 1',
      `“${speedColumn.slice(0, 40)}” does not say its unit: 50 could be km/h, mph or m/s.`,
      'Call it "speed km/h", "speed mph" or "speed m/s".',
    );
  const factor = /km|kph/.test(speedColumn) ? 1 / 3.6 : /mph|mi/.test(speedColumn) ? 0.44704 : 1;
  const notes: string[] = [];
  const told: { readonly t: number; readonly v: number; readonly z: number | null }[] = [];
  let broken = 0;
  for (const { fields } of rows) {
    const t = clock(fields.get(timeColumn) ?? '');
    const raw = readNumber(fields.get(speedColumn) ?? '');
    if (t === undefined || raw === undefined || raw * factor < 0 || raw * factor > JUMP_MPS) broken++;
    else
      told.push({ t, v: raw * factor, z: heightColumn ? (readNumber(fields.get(heightColumn) ?? '') ?? null) : null });
  }
  if (runsBackwards(told)) return refuse('(file)', BACKWARDS, 'Turn the rows round, so that the oldest comes first.');
  const { kept, rejected } = cleanTrack(told, () => true);
  const pauses = pausesIn(kept);
  notes.push(...pauseNote(kept, pauses));
  let way = 0;
  const samples = kept.map(({ t, v, z }, k): Sample => {
    const last = kept[k - 1];
    if (last && !pauses.has(k)) way += ((last.v + v) / 2) * (t - last.t);
    return { t, d: way, z };
  });
  if (samples.length < 2)
    return refuse(
      '(file)',
      'has fewer than two rows with a time and a speed.',
      'Write seconds and a speed in each row.',
    );
  if (broken > 0) notes.push(`${broken} rows without a time and a possible speed left out`);
  if (rejected.length > 0) notes.push(`${rejected.length} rows whose time does not go forward left out`);
  return fromSamples(
    samples,
    name,
    notes,
    rejected.map(({ point }) => point.t),
  );
}

/** "12.5" or "0:01:30" as seconds. */
function clock(text: string): number | undefined {
  const parts = /^(\d{1,3}):(\d{2})(?::(\d{2}(?:\.\d+)?))?$/.exec(text.trim());
  if (!parts) return readNumber(text);
  return parts[3] === undefined
    ? Number(parts[1]) * 60 + Number(parts[2])
    : Number(parts[1]) * 3600 + Number(parts[2]) * 60 + Number(parts[3]);
}

function fromSamples(
  samples: readonly Sample[],
  name: string,
  notes: string[],
  rejectedT: readonly number[],
): TripFile {
  const start = samples[0]!.t;
  const seconds = Math.floor(samples.at(-1)!.t - start);
  if (seconds < 2) return refuse('(file)', 'lasts less than two seconds.', 'Choose a longer trip.');
  if (seconds > LONGEST_S)
    return refuse('(file)', `lasts ${(seconds / 3600).toFixed(1)} hours.`, 'Cut it to ten hours at most.');
  const known = samples.filter(({ z }) => z !== null).length;
  const withHeight = known >= 0.9 * samples.length;
  if (!withHeight) notes.push(known === 0 ? 'no heights: taken as flat' : 'heights of too few points: taken as flat');
  // Way and height once a second, straight between the points.
  const way: number[] = [];
  const height: number[] = [];
  let k = 0;
  for (let s = 0; s <= seconds; s++) {
    const t = start + s;
    while (k < samples.length - 2 && samples[k + 1]!.t < t) k++;
    const [p, q] = [samples[k]!, samples[k + 1]!];
    const x = Math.min(1, Math.max(0, (t - p.t) / (q.t - p.t)));
    way.push(p.d + (q.d - p.d) * x);
    height.push((p.z ?? q.z ?? 0) + ((q.z ?? p.z ?? 0) - (p.z ?? q.z ?? 0)) * x);
  }
  // Speed over three seconds takes the receiver's noise off.
  const at = (s: number) => Math.min(seconds, Math.max(0, s));
  const speedsMPerS = way.map((_, s) => {
    const [from, to] = [at(s - 1), at(s + 1)];
    const v = (way[to]! - way[from]!) / (to - from);
    return v < 0.2 ? 0 : Math.round(v * 100) / 100;
  });
  const grades = withHeight ? gradesOf(way, height) : way.map(() => 0);
  const rejectedS = rejectedT.map((t) => at(Math.round(t - start)));
  return {
    ok: true,
    name,
    speedsMPerS,
    grades,
    distanceM: way.at(-1)!,
    notes,
    rejectedS,
    heights: withHeight ? { asReadM: height, asDrivenM: driven(way, grades, height[0]!) } : null,
  };
}

/** The heights that the grades make: what the wheels climb, m. */
function driven(way: readonly number[], grades: readonly number[], startM: number): number[] {
  let z = startM;
  return way.map((d, s) => {
    if (s > 0) z += ((grades[s]! + grades[s - 1]!) / 2) * (d - way[s - 1]!);
    return z;
  });
}

/** Rise over run between averages over GRADE_M of way on each side; 0 while it stands. */
function gradesOf(way: readonly number[], height: readonly number[]): number[] {
  const n = way.length;
  // Prefix sums make each average one subtraction.
  const sums = [0];
  for (const z of height) sums.push(sums.at(-1)! + z);
  let [low, high] = [0, 0];
  return way.map((d, s) => {
    while (way[low]! < d - GRADE_M) low++;
    if (high < s) high = s;
    while (high < n - 1 && way[high + 1]! <= d + GRADE_M) high++;
    const run = way[high]! - way[low]!;
    if (run < 5) return 0;
    const before = (sums[s + 1]! - sums[low]!) / (s + 1 - low);
    const after = (sums[high + 1]! - sums[s]!) / (high + 1 - s);
    // The averages stand for the middles of the two halves: half the run apart.
    const grade = (after - before) / (run / 2);
    return Math.round(Math.max(-STEEPEST, Math.min(STEEPEST, grade)) * 1e4) / 1e4;
  });
}
