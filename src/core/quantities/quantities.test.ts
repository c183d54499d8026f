import { describe, expect, test } from 'vitest';
import {
  awgAreaMm2,
  convert,
  type Dimension,
  formatArea,
  formatMargin,
  formatQuantity,
  parseGauge,
  parseQuantity,
  parseSides,
} from './index';

const value = (text: string, dimension: Dimension, unit?: string) => {
  const parsed = parseQuantity(text, dimension, unit);
  if (!parsed.ok) throw new Error(parsed.reason);
  return parsed.value;
};

describe('what people type is understood', () => {
  test.each([
    ['35', 'area', 35],
    ['35mm2', 'area', 35],
    ['35 mm²', 'area', 35],
    ['1k2', 'resistance', 1200],
    ['4R7', 'resistance', 4.7],
    ['2M2', 'resistance', 2.2e6],
    ['0.5 mΩ', 'resistance', 0.0005],
    ['0,5 mohm', 'resistance', 0.0005],
    ['12 ft', 'length', 3.6576],
    ['3/8"', 'length', 0.009525],
    ['1 1/2 in', 'length', 0.0381],
    ['5\' 3"', 'length', 1.6002],
    ['-0.6 bar', 'pressure', -60000],
    ['\u22120.62 bar', 'pressure', -62000],
    ['1,1 mF', 'capacitance', 0.0011],
    ['4u7', 'capacitance', 4.7e-6],
    ['77 °F', 'temperature', 25],
    ['57.8 kWh', 'energy', 208080000],
    ['12 500', 'power', 12500],
    ['80 %', 'ratio', 0.8],
    ['2 KW', 'power', 2000],
    ['1e3 mm', 'length', 1],
  ] as const)('%s as %s', (text, dimension, expected) => {
    expect(value(text, dimension)).toBeCloseTo(expected, 12);
  });

  test('the section of a bar is width by thickness: 30 x 5 mm are 150 mm², 1 by 1/8 inch are 80.645 mm²', () => {
    const section = (typed: string) => {
      const parsed = parseSides(typed);
      return parsed?.ok ? parsed.value : null;
    };
    for (const typed of ['30 x 5', '30x5', '30 × 5 mm', '30*5', '3 x 0.5 cm', '30 mm x 5 mm', '30 x 5,0'])
      expect(section(typed), typed).toBeCloseTo(150, 9);
    expect(section('1 x 1/8 in')).toBeCloseTo(25.4 ** 2 / 8, 9);
    expect(section('1" x 1/8"')).toBeCloseTo(25.4 ** 2 / 8, 9);
    expect(section('30 mm x 1/8 in')).toBeCloseTo((30 * 25.4) / 8, 9);
    expect(section('1 in x 3')).toBeCloseTo(3 * 25.4 ** 2, 9);
    for (const typed of ['30 x', 'x 5', '30 x 5 x 2', '30 x -5', '0 x 5', '30 x five', '30 x 5 kg', '1e200 x 1e200'])
      expect(parseSides(typed)?.ok, typed).toBe(false);
    expect(parseSides('150 mm²')).toBeNull();
  });

  test('at a cable "3 x 2.5" are three cores, not 7.5 mm²: it is refused', () => {
    for (const typed of ['3 x 2.5', '3x2.5', '3 × 2.5 mm²', '2 x 70'])
      expect(parseQuantity(typed, 'area').ok).toBe(false);
  });

  test('gauges give the area of ASTM B258: 2/0 is 67.43 mm², 10 AWG is 5.261 mm²', () => {
    expect(value('2/0', 'area')).toBeCloseTo(67.43, 2);
    expect(value('AWG 10', 'area')).toBeCloseTo(5.261, 3);
    expect(value('0000', 'area')).toBeCloseTo(107.2, 1);
    expect(parseGauge('4 ga')).toBe(4);
  });

  test('a number without a unit takes the unit of the field', () => {
    expect(value('20', 'length', 'mm')).toBeCloseTo(0.02, 15);
  });
});

describe('what is not understood is refused with a reason', () => {
  test.each([
    ['', 'length'],
    ['about 5', 'length'],
    ['5 parsec', 'length'],
    ['5 V', 'current'],
    ['1,500', 'power'],
    ['3/0', 'length'],
    ['5/0', 'area'],
    ['--5', 'length'],
    ['1e999', 'length'],
    ['NaN', 'voltage'],
    ['Infinity', 'voltage'],
    ['-300 °C', 'temperature'],
    ['0x10', 'count'],
    ['1k2 V', 'resistance'],
  ] as const)('%s as %s', (text, dimension) => {
    const parsed = parseQuantity(text, dimension);
    expect(parsed.ok).toBe(false);
    if (!parsed.ok) expect(parsed.reason.length + parsed.remedy.length).toBeGreaterThan(20);
  });
});

describe('figures for reading', () => {
  test('the unit that reads best is chosen, and rounding is said', () => {
    expect(formatQuantity({ value: 0.0005, dimension: 'resistance' }).text).toBe('500\u00a0µΩ');
    expect(formatQuantity({ value: 1234, dimension: 'power' })).toMatchObject({
      number: '1.23',
      unit: 'kW',
      rounded: true,
    });
    expect(formatQuantity({ value: 1200, dimension: 'power' })).toMatchObject({
      number: '1.2',
      unit: 'kW',
      rounded: false,
    });
    expect(formatQuantity({ value: 25, dimension: 'temperature' }, 'us').text).toBe('77\u00a0°F');
    expect(formatQuantity({ value: Number.NaN, dimension: 'voltage' }).text).toBe('not known');
    expect(formatQuantity({ value: 0, dimension: 'current' }).text).toBe('0\u00a0A');
    expect(formatQuantity({ value: -3.2, dimension: 'voltage' }).number).toBe('\u22123.2');
  });

  test('cross-sections name gauges that are in stock: the same within 3 %, else the two beside', () => {
    // ASTM B258: 2 AWG is 33.63 mm², 1 AWG 42.41; 14 AWG 2.08, 12 AWG 3.31; 2/0 67.43; 4/0, the thickest, 107.2.
    expect(formatArea(35, 'us')).toBe('35\u00a0mm² (2–1 AWG)');
    expect(formatArea(2.5, 'us')).toBe('2.5\u00a0mm² (14–12 AWG)');
    expect(formatArea(67, 'us')).toBe('67\u00a0mm² (2/0 AWG)');
    expect(formatArea(awgAreaMm2(-1), 'us')).toContain('(2/0 AWG)');
    expect(formatArea(150, 'us')).toBe('150\u00a0mm²');
  });

  test('what a car pulls, takes and holds reads in US units, too', () => {
    // NIST SP 811: 1 lbf = 4.448222 N, 1 lbf·ft = 1.355818 Nm, 1 gal = 3.785412 l, 1 mi = 1.609344 km.
    const us = (value: number, dimension: Dimension, digits = 4) =>
      formatQuantity({ value, dimension }, 'us', digits).text;
    expect(us(4448.222, 'force')).toBe('1000\u00a0lbf');
    expect(us(135.5818, 'torque')).toBe('100\u00a0lbf·ft');
    expect(us(37.85412, 'volume')).toBe('10\u00a0gal');
    expect(us(200, 'consumption')).toBe('321.9\u00a0Wh/mi');
    expect(us(17512.68, 'springRate')).toBe('100\u00a0lbf/in');
    expect(us(1, 'perDistance')).toBe('1.609\u00a0/mi');
    expect(us(0.3048, 'acceleration')).toBe('1\u00a0ft/s²');
    expect(us(0.09290304, 'surface')).toBe('1\u00a0ft²');
    expect(us(1e-6, 'inductancePerLength')).toBe('0.3048\u00a0µH/ft');
  });

  test('margins never round a failure up to nothing', () => {
    expect(formatMargin(-0.754)).toBe('\u221275\u00a0%');
    expect(formatMargin(-0.0004)).toBe('\u22120.1\u00a0%');
    expect(formatMargin(0.0996)).toBe('9\u00a0%');
    expect(formatMargin(9.99)).toBe('999\u00a0%');
    expect(formatMargin(48.29)).toBe('>\u00a0999\u00a0%');
  });

  test('conversions follow the definitions: 1 psi is 6894.757 Pa, 1 inHg 3386.389 Pa', () => {
    expect(convert(1, 'pressure', 'psi', 'Pa')).toBeCloseTo(6894.757, 3);
    expect(convert(100, 'speed', 'km/h', 'mph')).toBeCloseTo(62.137119, 6);
    expect(convert(212, 'temperature', '°F', '°C')).toBeCloseTo(100, 10);
  });
});

describe('a comma before three digits', () => {
  const read = (text: string, comma?: 'thousands' | 'decimal') => {
    const parsed = parseQuantity(text, 'mass', 'kg', comma);
    return parsed.ok ? parsed.value : parsed.comma ? 'asks' : 'refused';
  };

  test('is asked about, and read as it was said', () => {
    expect(read('1,150')).toBe('asks');
    expect(read('1,150', 'thousands')).toBe(1150);
    expect(read('1,150', 'decimal')).toBeCloseTo(1.15, 12);
    expect(read('-1,150 kg', 'thousands')).toBe(-1150);
  });

  test('where there is one way to read it nobody is asked', () => {
    expect(read('1,150,000')).toBe(1150000);
    expect(read('1,150.5')).toBe(1150.5);
    expect(read('1,5')).toBe(1.5);
    expect(read('0,150')).toBe(0.15);
    expect(read('1150,25')).toBe(1150.25);
    expect(read('1,1500')).toBe(1.15);
  });
});
