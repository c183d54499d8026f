import { addDays, format, parseISO } from 'date-fns';

/** One thing of a calendar: a stretch of whole days, or something to be done by a day. */
export interface CalendarEntry {
  readonly id: string;
  readonly kind: 'event' | 'todo';
  readonly title: string;
  readonly text: string;
  /** ISO dates; the last day counts. */
  readonly from: string;
  readonly to: string;
}

const escaped = (text: string): string =>
  text
    .replace(/\\/g, '\\\\')
    .replace(/;/g, '\\;')
    .replace(/,/g, '\\,')
    .replace(/\r\n|\r|\n/g, '\\n')
    // biome-ignore lint/suspicious/noControlCharactersInRegex: no line of a calendar has any.
    .replace(/[\u0000-\u001f\u007f]/g, ' ');

const octets = (letter: string): number => {
  const code = letter.codePointAt(0)!;
  return code < 0x80 ? 1 : code < 0x800 ? 2 : code < 0x10000 ? 3 : 4;
};
/** A line has 75 octets at most; the next one goes on behind a blank (RFC 5545, 3.1). */
function folded(line: string): string {
  const lines: string[] = [];
  let [now, size] = ['', 0];
  for (const letter of line) {
    const wide = octets(letter);
    if (size + wide > (lines.length === 0 ? 75 : 74)) {
      lines.push(now);
      [now, size] = ['', 0];
    }
    now += letter;
    size += wide;
  }
  return [...lines, now].join('\r\n ');
}

const day = (iso: string): string => iso.slice(0, 10).replace(/-/g, '');
const dayAfter = (iso: string): string => format(addDays(parseISO(iso.slice(0, 10)), 1), 'yyyyMMdd');

/** A calendar as RFC 5545 has it, whole days. `stamp`: when it was written, ISO date and time in UTC. */
export function calendarText(name: string, entries: readonly CalendarEntry[], stamp: string): string {
  const written = `${stamp.replace(/[-:]/g, '').slice(0, 15)}Z`;
  const lines = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Ropeway//Plan//EN',
    'CALSCALE:GREGORIAN',
    `X-WR-CALNAME:${escaped(name)}`,
    ...entries.flatMap(({ id, kind, title, text, from, to }) => [
      kind === 'event' ? 'BEGIN:VEVENT' : 'BEGIN:VTODO',
      `UID:${id.replace(/[^A-Za-z0-9._-]/g, '-')}@ropeway.invalid`,
      `DTSTAMP:${written}`,
      `DTSTART;VALUE=DATE:${day(from)}`,
      // The end of an event is the first day that is free again.
      ...(kind === 'event'
        ? [`DTEND;VALUE=DATE:${dayAfter(to)}`]
        : [`DUE;VALUE=DATE:${to === from ? dayAfter(to) : day(to)}`]),
      `SUMMARY:${escaped(title)}`,
      ...(text === '' ? [] : [`DESCRIPTION:${escaped(text)}`]),
      kind === 'event' ? 'TRANSP:TRANSPARENT' : 'STATUS:NEEDS-ACTION',
      kind === 'event' ? 'END:VEVENT' : 'END:VTODO',
    ]),
    'END:VCALENDAR',
  ];
  return `${lines.map(folded).join('\r\n')}\r\n`;
}
