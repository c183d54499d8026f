import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { readTripFile } from './trip-file';

/** A made-up track due north at a steady speed and slope, one point every two seconds: a degree is π·R/180. */
function track(
  points: number,
  mPerS: number,
  slope: number,
  edit: (k: number, line: string) => string = (_, line) => line,
): string {
  const degree = (Math.PI * 6371008.8) / 180;
  const lines = Array.from({ length: points }, (_, k) => {
    const t = new Date(Date.UTC(2020, 0, 1, 8, 0, 2 * k)).toISOString();
    const d = 2 * k * mPerS;
    return edit(
      k,
      `<trkpt lat="${45 + d / degree}" lon="7"><ele>${(1000 + d * slope).toFixed(3)}</ele><time>${t}</time></trkpt>`,
    );
  });
  return `<?xml version="1.0"?><gpx version="1.1"><trk><trkseg>${lines.join('\n')}</trkseg></trk></gpx>`;
}
const read = (text: string, name = 'way.gpx') => {
  const trip = readTripFile(text, name);
  if (!trip.ok) throw new Error(JSON.stringify(trip.errors));
  return trip;
};

describe('a track', () => {
  test('steady speed and slope come back: 15 m/s up 6 %', () => {
    const trip = read(track(200, 15, 0.06));
    expect(trip.name).toBe('way');
    expect(trip.speedsMPerS).toHaveLength(399);
    expect(trip.distanceM).toBeCloseTo(15 * 398, 1);
    for (const v of trip.speedsMPerS.slice(2, -2)) expect(v).toBeCloseTo(15, 1);
    for (const grade of trip.grades.slice(8, -8)) expect(grade).toBeCloseTo(0.06, 2);
    expect(trip.notes).toEqual([]);
  });

  test('a jump, a clock that goes back and a point without time are left out and said; the rest is kept', () => {
    const trip = read(
      track(100, 10, 0, (k, line) =>
        k === 20
          ? line.replace(/lat="[^"]+"/, 'lat="46.9"')
          : k === 40
            ? line.replace(/08:01:20/, '07:00:00')
            : k === 60
              ? line.replace(/<time>.*<\/time>/, '')
              : line,
      ),
    );
    expect(trip.notes).toEqual([
      '1 points without place or time left out',
      '1 points whose time does not go forward left out',
      '1 jumps above 252 km/h left out',
    ]);
    expect(trip.distanceM).toBeCloseTo(10 * 198, 0);
  });

  test('a stray first place and a stray clock are the wrong ones, not all that comes after them', () => {
    const stray = read(track(100, 10, 0, (k, line) => (k === 0 ? line.replace(/lat="[^"]+"/, 'lat="46.9"') : line)));
    expect(stray.notes).toEqual(['1 jumps above 252 km/h left out']);
    // 98 steps of 20 m from the second point on.
    expect(stray.distanceM).toBeCloseTo(98 * 20, 0);
    const late = read(track(100, 10, 0, (k, line) => (k === 40 ? line.replace('2020-01-01', '2020-01-02') : line)));
    expect(late.notes).toEqual(['1 points whose time does not go forward left out']);
    expect(late.rejectedS).toEqual([198]);
    expect(late.distanceM).toBeCloseTo(10 * 198, 0);
  });

  test('where the receiver was away the way starts again there, and nothing is counted across', () => {
    const degree = (Math.PI * 6371008.8) / 180;
    const away = read(
      track(100, 10, 0, (k, line) =>
        k < 50 ? line : line.replace(/lat="([^"]+)"/, (_, lat) => `lat="${Number(lat) + 50000 / degree}"`),
      ),
    );
    expect(away.notes).toEqual(['1 gap where the receiver was away: it stands there']);
    expect(away.distanceM).toBeCloseTo(10 * 198 - 20, 0);
  });

  test('a clock that goes back for good ends the trip there', () => {
    const half = read(track(100, 10, 0, (k, line) => (k < 50 ? line : line.replace('2020-01-01', '2019-12-31'))));
    expect(half.notes).toEqual(['50 points whose time does not go forward left out']);
    expect(half.distanceM).toBeCloseTo(49 * 20, 0);
  });

  test('heights as read and as driven are both given: noise goes, the climb stays', () => {
    let seed = 1;
    const noise = () => {
      seed = (seed * 16807) % 2147483647;
      return (seed / 2147483647 - 0.5) * 6;
    };
    const { heights } = read(
      track(400, 12, 0.05, (_, line) => line.replace(/<ele>([^<]+)/, (_all, z) => `<ele>${Number(z) + noise()}`)),
    );
    const rough = (list: readonly number[]) =>
      list.slice(2).reduce((sum, z, k) => sum + Math.abs(z - 2 * list[k + 1]! + list[k]!), 0);
    expect(rough(heights!.asDrivenM)).toBeLessThan(rough(heights!.asReadM) / 3);
    // 798 s at 12 m/s up 5 %.
    expect(heights!.asDrivenM.at(-1)! - heights!.asDrivenM[0]!).toBeGreaterThan(0.95 * 798 * 12 * 0.05);
    expect(heights!.asDrivenM.at(-1)! - heights!.asDrivenM[0]!).toBeLessThan(1.05 * 798 * 12 * 0.05);
  });

  test('midnight, the end of February in a leap year and an offset are only the next second', () => {
    const points = [
      '2020-02-28T23:59:58Z',
      '2020-02-28T23:59:59Z',
      '2020-02-29T00:00:00Z',
      '2020-02-29T02:00:01+02:00',
      '2020-02-28T19:30:02-0430',
    ];
    const trip = read(
      `<gpx>${points.map((time, k) => `<trkpt lat="${45 + k * 1e-4}" lon="7"><time>${time}</time></trkpt>`).join('')}</gpx>`,
    );
    expect(trip.speedsMPerS).toHaveLength(5);
    expect(trip.notes).toEqual(['no heights: taken as flat']);
  });

  test('without heights it is flat and says so', () => {
    const trip = read(track(50, 10, 0.1, (_, line) => line.replace(/<ele>.*<\/ele>/, '')));
    expect(trip.notes).toEqual(['no heights: taken as flat']);
    expect(new Set(trip.grades)).toEqual(new Set([0]));
  });

  test.each([
    ['<gpx></gpx>', 'no track points'],
    ['<gpx><trkpt lat="1" lon="2"></trkpt></gpx>', 'fewer than two points'],
    [track(2, 10, 0).replace('08:00:02', '20:00:02'), 'hours'],
    ['', 'empty'],
    ['a;b\n1;2\n', 'no column for time'],
    ['time s;speed km/h\nx;y\n', 'fewer than two rows'],
    ['time s;speed\n0;50\n10;50\n', 'does not say its unit'],
    [`<gpx><trk><trkseg>${'<trkpt lat="46" lon="8">'.repeat(20_000)}`, 'nested too deeply'],
    [`<gpx>${'<ele'.repeat(50_000)}`, 'do not fit together'],
    [`<gpx><trk><trkseg>${'<trkpt lat="46" lon="8"/>'.repeat(20_000)}</trkseg></trk></gpx>`, 'fewer than two points'],
  ])('%# is refused with words', (text, words) => {
    const trip = readTripFile(text, 'x');
    expect(trip.ok).toBe(false);
    if (!trip.ok) {
      expect(trip.errors[0]!.reason).toContain(words);
      expect(trip.errors[0]!.remedy.length).toBeGreaterThan(10);
    }
  });

  test('a height that no road has is none, and spaces in a tag are spaces', () => {
    const trip = read(
      track(50, 10, 0.1)
        .replace(/<ele>[^<]*<\/ele>/, '<ele>1e308</ele>')
        .replaceAll('<time>', `<time${' '.repeat(2000)}>`),
    );
    expect(trip.grades.every((grade) => Number.isFinite(grade) && Math.abs(grade) <= 0.35)).toBe(true);
    expect(trip.distanceM).toBeCloseTo(read(track(50, 10, 0.1)).distanceM, 6);
  });

  test('entities of a document type are not followed', () => {
    const bomb = '<!DOCTYPE gpx [<!ENTITY a "1"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;">]>';
    const trip = readTripFile(`${bomb}${track(50, 10, 0.1).replace('<ele>', '<ele>&b;')}`, 'x.gpx');
    if (trip.ok) expect(trip.heights?.asReadM.every((height) => height < 9000)).toBe(true);
    else expect(trip.errors[0]!.reason).toMatch(/\S/);
  });

  test('whatever the file holds, it answers', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 300 }), fc.boolean(), (text, gpx) => {
        const trip = readTripFile(gpx ? `<gpx>${text}` : text, 'f');
        if (trip.ok) for (const v of trip.speedsMPerS) expect(Number.isFinite(v)).toBe(true);
        else expect(trip.errors.length).toBeGreaterThan(0);
      }),
    );
  });
});

describe('a table', () => {
  test('seconds or clock, km/h or m/s, comma or point', () => {
    const kmh = read('time s;speed km/h\n0;0\n10;36\n20;36\n30;0\n', 't.csv');
    expect(kmh.distanceM).toBeCloseTo(5 * 10 + 10 * 10 + 5 * 10, 9);
    const clock = read('time,speed m/s,altitude m\n0:00:00,10,100\n0:01:00,10,130\n0:02:00,10,160\n', 't.csv');
    expect(clock.distanceM).toBeCloseTo(1200, 9);
    expect(clock.grades[60]).toBeCloseTo(30 / 600, 3);
    expect(read('time;speed km/h\n0;18,0\n4;18,0\n').distanceM).toBeCloseTo(20, 9);
  });

  test('nine hours without rows are a pause at a standstill, not 450 km at the speed of before', () => {
    const hour = 3600;
    const rows = [0, 1, 2, 3, 4].map((t) => `${t};50`);
    const after = [0, 1, 2, 3, 4].map((t) => `${9 * hour + t};50`);
    const trip = read(`time s;speed km/h\n${[...rows, ...after].join('\n')}\n`);
    // Two runs of four seconds at 50 km/h: v·t.
    expect(trip.distanceM).toBeCloseTo(2 * 4 * (50 / 3.6), 6);
    expect(trip.speedsMPerS[4 * hour]).toBe(0);
    expect(trip.notes.join()).toContain('1 pause without points, up to 9.0 h');
  });

  test('a straight that is recorded by its ends only is driven, not stood', () => {
    // A row each two seconds, then four minutes at 90 km/h without one.
    const rows = [0, 2, 4, 6, 8, 248, 250].map((t) => `${t};90`);
    const trip = read(`time s;speed km/h\n${rows.join('\n')}\n`);
    expect(trip.distanceM).toBeCloseTo(25 * 250, 6);
  });

  test('a row a minute is no pause', () => {
    const rows = Array.from({ length: 30 }, (_, k) => `${60 * k};36`);
    const trip = read(`time s;speed km/h\n${rows.join('\n')}\n`);
    expect(trip.distanceM).toBeCloseTo(29 * 600, 6);
    expect(trip.notes.join()).not.toContain('pause');
  });

  test('the newest row first is named as that', () => {
    const trip = readTripFile('time s;speed km/h\n30;36\n20;36\n10;36\n0;36\n', 't.csv');
    expect(trip).toMatchObject({ ok: false, errors: [{ reason: expect.stringContaining('backwards') }] });
  });
});
