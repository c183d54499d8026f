import { describe, expect, test } from 'vitest';
import { quantity, told } from '../quantities';
import { marginText, type Sayable, say, spell } from './wording';

/** Figures keep their units by spaces that do not break. */
const plain = <T>(said: T): T => JSON.parse(JSON.stringify(said).replace(/[\u00A0\u202F]/g, ' ')) as T;
const subject = { kind: 'device', id: 'f-1', name: 'Main fuse' } as const;
const other = { kind: 'conductor', id: 'c-1', name: 'Main cable' } as const;
const said = (...asked: Parameters<typeof say>) => plain(say(...asked));
const of = (verdict: Sayable['verdict'], more: Partial<Sayable> = {}): Sayable => ({
  subject,
  verdict,
  says: {
    code: 'made.up',
    figures: { demand: quantity(80, 'temperature'), limit: quantity(105, 'temperature'), place: 'beside the tank' },
    sentence: {
      fails: '{subject} is too hot',
      holds: '{subject} stays cool',
      line: '{demand} of {limit} {place}',
      open: 'Heat of {subject}',
    },
  },
  ...more,
});

describe('the words of a check', () => {
  test('what fails and what holds have a title each, and one line of figures', () => {
    expect(said(of('fails'))).toEqual({ title: 'Main fuse is too hot', line: '80 °C of 105 °C beside the tank' });
    expect(said(of('holds')).title).toBe('Main fuse stays cool');
    expect(said(of('thin')).title).toBe('Main fuse stays cool');
  });

  test('the reader’s units: 80 °C are 176 °F, 105 °C are 221 °F', () => {
    expect(said(of('fails'), 'us').line).toBe('176 °F of 221 °F beside the tank');
  });

  test('what is open names what it needs, and whose it is where it is another’s', () => {
    const missing = [
      { ref: subject, what: 'part' },
      { ref: other, what: 'length' },
      { ref: other, what: 'its crimp' },
    ];
    expect(said(of('needs-data', { missing }))).toEqual({
      title: 'Heat of Main fuse',
      line: 'needs the part, the length of Main cable, its crimp of Main cable',
    });
  });

  test('what waits names what for, what is pending its own words', () => {
    expect(said(of('waits', { missing: [{ ref: other, what: 'is protected' }] })).line).toBe(
      'waits until Main cable is protected',
    );
    expect(said(of('pending', { pending: 'the usual trip is being driven' })).line).toBe(
      'the usual trip is being driven',
    );
  });

  test('without words of its own for open it says those for holding', () => {
    const { says } = of('needs-data');
    const { open: _, ...sentence } = says.sentence;
    expect(said(of('needs-data', { says: { ...says, sentence } })).title).toBe('Main fuse stays cool');
  });

  test('a figure that nobody gave is left out', () => {
    const { says } = of('holds');
    const sentence = { ...says.sentence, line: '[{nothing}] {demand}' };
    expect(said(of('holds', { says: { ...says, sentence } })).line).toBe('[] 80 °C');
  });
});

test('a margin is a share, or the verdict’s word where there is none to tell', () => {
  expect(plain(marginText({ verdict: 'holds', margin: 0.253 }))).toBe('25 %');
  expect(plain(marginText({ verdict: 'fails', margin: -0.75 }))).toBe('−75 %');
  expect(marginText({ verdict: 'fails', margin: Number.NEGATIVE_INFINITY })).toBe('fails');
  expect(marginText({ verdict: 'needs-data' })).toBe('needs data');
});

test('a working is spelled in the reader’s units, line by line', () => {
  const working = {
    lines: [{ formula: 'T', figures: `${told(100, 'temperature')} at most`, note: `of ${told(0, 'temperature')}` }],
    sources: ['a table'],
    assumed: [`${told(40, 'temperature')} under the bonnet`],
  };
  expect(plain(spell(working, 'us'))).toEqual({
    lines: [{ formula: 'T', figures: '212 °F at most', note: 'of 32 °F' }],
    sources: ['a table'],
    assumed: ['104 °F under the bonnet'],
  });
  expect(plain(spell(working).lines[0]!.figures)).toBe('100 °C at most');
});
