import fc from 'fast-check';
import ICAL from 'ical.js';
import { expect, test } from 'vitest';
import { type CalendarEntry, calendarText } from './calendar-file';

const entry = (more: Partial<CalendarEntry> = {}): CalendarEntry => ({
  id: 'x-mount.motor',
  kind: 'event',
  title: 'Mount the motor',
  text: '',
  from: '2026-05-04',
  to: '2026-05-06',
  ...more,
});
const STAMP = '2026-05-01T08:30:00.000Z';
const parsed = (text: string) => new ICAL.Component(ICAL.parse(text));

test('a calendar program reads whole days, the last one within (RFC 5545, read by another library)', () => {
  const calendar = parsed(calendarText('Plan', [entry(), entry({ id: 'w', kind: 'todo', title: 'Plate' })], STAMP));
  const event = new ICAL.Event(calendar.getFirstSubcomponent('vevent')!);
  expect([event.summary, event.startDate.toString(), event.endDate.toString()]).toEqual([
    'Mount the motor',
    '2026-05-04',
    '2026-05-07',
  ]);
  const todo = calendar.getFirstSubcomponent('vtodo')!;
  expect(String(todo.getFirstPropertyValue('due'))).toBe('2026-05-06');
  expect(String(calendar.getFirstSubcomponent('vevent')!.getFirstPropertyValue('dtstamp'))).toBe(
    '2026-05-01T08:30:00Z',
  );
});

test('the end of a month and of February are followed by the first', () => {
  const end = (to: string) =>
    new ICAL.Event(
      parsed(calendarText('P', [entry({ from: to, to })], STAMP)).getFirstSubcomponent('vevent')!,
    ).endDate.toString();
  expect([end('2026-02-28'), end('2028-02-28'), end('2026-12-31')]).toEqual(['2026-03-01', '2028-02-29', '2027-01-01']);
});

test('whatever somebody calls a job comes back as he wrote it, in lines of 75 octets at most', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme', minLength: 1, maxLength: 200 }), (raw) => {
      // biome-ignore lint/suspicious/noControlCharactersInRegex: those become blanks.
      const title = raw.replace(/[\u0000-\u001f\u007f\u2028\u2029]/g, ' ').trim() || 'x';
      const text = calendarText('Plan', [entry({ title })], STAMP);
      for (const line of text.split('\r\n')) expect(Buffer.byteLength(line, 'utf8')).toBeLessThanOrEqual(75);
      expect(text.replace(/\r\n/g, '')).not.toMatch(/[\r\n]/);
      const event = new ICAL.Event(parsed(text).getFirstSubcomponent('vevent')!);
      expect(event.summary.trim()).toBe(title.trim());
    }),
    { numRuns: 200 },
  );
});

test('a title can’t end the entry and begin another', () => {
  const text = calendarText('Plan', [entry({ title: 'a\nEND:VEVENT\nBEGIN:VALARM' })], STAMP);
  expect(text.match(/^END:VEVENT/gm)).toHaveLength(1);
  expect(text).not.toMatch(/^BEGIN:VALARM/m);
});
