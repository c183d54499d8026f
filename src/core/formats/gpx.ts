import { XMLParser } from 'fast-xml-parser';

/** A point of a track as its file writes it; null where it says nothing. */
export interface GpxPoint {
  readonly lat: string | null;
  readonly lon: string | null;
  readonly time: string | null;
  readonly ele: string | null;
}

/** Plain text throughout: nothing is made a number, an entity or a key of ours by the reader. */
const parser = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '@',
  parseTagValue: false,
  parseAttributeValue: false,
  processEntities: false,
  removeNSPrefix: true,
  trimValues: true,
  isArray: (name) => name === 'trk' || name === 'trkseg' || name === 'trkpt',
});

type Node = Readonly<Record<string, unknown>>;
const inside = (node: unknown, name: string): readonly unknown[] => {
  const found = typeof node === 'object' && node !== null && Object.hasOwn(node, name) ? (node as Node)[name] : [];
  return Array.isArray(found) ? found : [found];
};
function textOf(node: unknown, name: string): string | null {
  const [value] = inside(node, name);
  if (typeof value === 'string') return value.trim();
  // A tag with attributes.
  const text = typeof value === 'object' && value !== null ? (value as Node)['#text'] : undefined;
  return typeof text === 'string' ? text.trim() : null;
}

/** Track points of a GPX file in their order; a reason where it is no XML that ends. */
export function gpxPoints(text: string): readonly GpxPoint[] | { readonly reason: string } {
  let document: unknown;
  try {
    document = parser.parse(text);
  } catch (error) {
    const deep = error instanceof RangeError || /nested/i.test((error as Error).message);
    return { reason: deep ? 'its tags are nested too deeply' : 'its tags do not end, or do not fit together' };
  }
  const files = inside(document, 'gpx');
  const tracks = files.flatMap((gpx) => inside(gpx, 'trk'));
  const segments = tracks.flatMap((track) => inside(track, 'trkseg'));
  // Some programs leave segments or tracks out.
  return [...segments, ...tracks, ...files]
    .flatMap((parent) => inside(parent, 'trkpt'))
    .map((point) => ({
      lat: textOf(point, '@lat'),
      lon: textOf(point, '@lon'),
      time: textOf(point, 'time'),
      ele: textOf(point, 'ele'),
    }));
}
