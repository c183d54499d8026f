/**
 * The table of units. Every quantity is kept in its canonical (SI-like) unit; a unit is a factor (and for temperatures an
 * offset) to it: canonical = typed · factor + offset. Factors are exact by definition (BIPM SI brochure 9th ed., NIST SP 811).
 */
export type Dimension =
  | 'voltage'
  | 'current'
  | 'power'
  | 'resistance'
  | 'resistancePerLength'
  | 'capacitance'
  | 'inductance'
  | 'length'
  | 'distance'
  | 'area'
  | 'mass'
  | 'massPerLength'
  | 'temperature'
  | 'temperatureDifference'
  | 'time'
  | 'energy'
  | 'charge'
  | 'pressure'
  | 'speed'
  | 'ratio'
  | 'count'
  | 'i2t'
  | 'voltagePerTime'
  | 'force'
  | 'acceleration'
  | 'consumption'
  | 'surface'
  | 'volume'
  | 'inductancePerLength'
  | 'torque'
  | 'perDistance'
  | 'springRate'
  | 'hydraulicPressure'
  | 'flow'
  | 'airFlow'
  | 'heatLoss'
  | 'heatCapacity'
  | 'massFlow';

export interface Unit {
  /** As shown, after a narrow space. */
  readonly symbol: string;
  /** canonical = typed · factor + offset */
  readonly factor: number;
  readonly offset?: number;
  /** Other ways in which people type it. */
  readonly aliases?: readonly string[];
}

export interface DimensionUnits {
  /** The unit in which the document and the core keep it. */
  readonly canonical: string;
  /** Shown by default, by unit system. */
  readonly shown: { readonly metric: readonly string[]; readonly us: readonly string[] };
  readonly units: readonly Unit[];
  /** SI-prefix infix notation (1k2, 4R7) is understood. */
  readonly infix: boolean;
}

const u = (symbol: string, factor: number, aliases: readonly string[] = [], offset = 0): Unit => ({
  symbol,
  factor,
  aliases,
  offset,
});
const both = (...symbols: string[]) => ({ metric: symbols, us: symbols });

const INCH = 0.0254;
const FOOT = 0.3048;
const POUND = 0.45359237;
const MILE = 1609.344;
/** Standard gravity, m/s² (exact). */
const GRAVITY = 9.80665;

export const DIMENSIONS: Readonly<Record<Dimension, DimensionUnits>> = {
  voltage: {
    canonical: 'V',
    shown: both('mV', 'V'),
    infix: true,
    units: [u('V', 1, ['volt', 'volts', 'vdc', 'V DC', 'Vdc']), u('mV', 1e-3), u('kV', 1e3), u('µV', 1e-6, ['uV'])],
  },
  current: {
    canonical: 'A',
    shown: both('mA', 'A', 'kA'),
    infix: true,
    units: [u('A', 1, ['amp', 'amps', 'ampere', 'amperes']), u('mA', 1e-3), u('kA', 1e3), u('µA', 1e-6, ['uA'])],
  },
  power: {
    canonical: 'W',
    shown: both('W', 'kW'),
    infix: true,
    units: [
      u('W', 1, ['watt', 'watts']),
      u('kW', 1e3),
      u('mW', 1e-3),
      u('MW', 1e6),
      u('hp', 745.6998715822702, ['HP']),
    ],
  },
  resistance: {
    canonical: 'Ω',
    shown: both('µΩ', 'mΩ', 'Ω', 'kΩ', 'MΩ'),
    infix: true,
    units: [
      u('Ω', 1, ['Ω', 'ohm', 'ohms', 'R', 'r']),
      u('mΩ', 1e-3, ['mohm', 'milliohm', 'mOhm']),
      u('µΩ', 1e-6, ['uohm', 'uΩ', 'μΩ', 'microohm']),
      u('kΩ', 1e3, ['kohm', 'k', 'K']),
      u('MΩ', 1e6, ['Mohm', 'M', 'megohm']),
    ],
  },
  resistancePerLength: {
    canonical: 'Ω/m',
    shown: { metric: ['mΩ/m'], us: ['mΩ/ft'] },
    infix: false,
    units: [
      u('Ω/m', 1, ['ohm/m']),
      u('mΩ/m', 1e-3, ['mohm/m', 'ohm/km', 'Ω/km']),
      u('mΩ/ft', 1e-3 / FOOT, ['mohm/ft', 'ohm/kft']),
    ],
  },
  capacitance: {
    canonical: 'F',
    shown: both('nF', 'µF', 'mF', 'F'),
    infix: true,
    units: [u('F', 1, ['farad']), u('mF', 1e-3), u('µF', 1e-6, ['uF', 'μF']), u('nF', 1e-9), u('pF', 1e-12)],
  },
  inductance: {
    canonical: 'H',
    shown: both('nH', 'µH', 'mH', 'H'),
    infix: true,
    units: [u('H', 1), u('mH', 1e-3), u('µH', 1e-6, ['uH', 'μH']), u('nH', 1e-9)],
  },
  length: {
    canonical: 'm',
    shown: { metric: ['mm', 'm'], us: ['in', 'ft'] },
    infix: false,
    units: [
      u('m', 1, ['metre', 'meter', 'metres', 'meters']),
      u('mm', 1e-3),
      u('cm', 1e-2),
      u('km', 1e3),
      u('in', INCH, ['"', '″', 'inch', 'inches']),
      u('ft', FOOT, ["'", '′', 'foot', 'feet']),
      u('mi', MILE, ['mile', 'miles']),
    ],
  },
  /** On the road: kept in metres like a length, shown in kilometres or miles. */
  distance: {
    canonical: 'm',
    shown: { metric: ['km'], us: ['mi'] },
    infix: false,
    units: [u('km', 1e3), u('m', 1, ['metre', 'metres']), u('mi', MILE, ['mile', 'miles'])],
  },
  area: {
    canonical: 'mm²',
    shown: { metric: ['mm²'], us: ['mm²'] },
    infix: false,
    units: [
      u('mm²', 1, ['mm2', 'mm^2', 'sqmm', 'sq mm']),
      u('cm²', 100, ['cm2']),
      u('kcmil', 0.506707479097498, ['MCM', 'mcm']),
    ],
  },
  mass: {
    canonical: 'kg',
    shown: { metric: ['kg'], us: ['lb'] },
    infix: false,
    units: [u('kg', 1), u('g', 1e-3), u('t', 1e3), u('lb', POUND, ['lbs']), u('oz', POUND / 16)],
  },
  massPerLength: {
    canonical: 'kg/m',
    shown: { metric: ['kg/m'], us: ['lb/ft'] },
    infix: false,
    units: [u('kg/m', 1), u('lb/ft', POUND / FOOT)],
  },
  temperature: {
    canonical: '°C',
    shown: { metric: ['°C'], us: ['°F'] },
    infix: false,
    units: [
      u('°C', 1, ['C', 'degC', '℃', 'deg C']),
      u('°F', 5 / 9, ['F', 'degF', 'deg F'], -160 / 9),
      u('K', 1, ['kelvin'], -273.15),
    ],
  },
  temperatureDifference: {
    canonical: 'K',
    shown: { metric: ['K'], us: ['F°'] },
    infix: false,
    units: [u('K', 1, ['°C', 'C']), u('F°', 5 / 9, ['°F', 'F'])],
  },
  time: {
    canonical: 's',
    shown: both('µs', 'ms', 's', 'min', 'h'),
    infix: false,
    units: [
      u('s', 1, ['sec', 'second', 'seconds']),
      u('ms', 1e-3),
      u('µs', 1e-6, ['us', 'μs']),
      u('min', 60, ['minutes', 'mins']),
      u('h', 3600, ['hr', 'hour', 'hours']),
      u('d', 86400, ['day', 'days']),
    ],
  },
  energy: {
    canonical: 'J',
    shown: both('J', 'kJ', 'kWh'),
    infix: true,
    units: [
      u('J', 1, ['joule', 'joules']),
      u('mJ', 1e-3),
      u('kJ', 1e3),
      u('MJ', 1e6),
      u('Wh', 3600),
      u('kWh', 3.6e6, ['kwh', 'KWh']),
    ],
  },
  charge: {
    canonical: 'Ah',
    shown: both('Ah'),
    infix: false,
    units: [u('Ah', 1, ['ah', 'AH']), u('mAh', 1e-3), u('C', 1 / 3600)],
  },
  pressure: {
    canonical: 'Pa',
    shown: { metric: ['bar'], us: ['inHg'] },
    infix: false,
    units: [
      u('Pa', 1),
      u('kPa', 1e3),
      u('bar', 1e5),
      u('mbar', 100, ['hPa']),
      u('psi', 6894.757293168361),
      u('inHg', 3386.389, ['"Hg', 'inhg']),
    ],
  },
  /** Of oil and brake fluid: whoever measures vacuum in inches of mercury measures these in pounds. */
  hydraulicPressure: {
    canonical: 'Pa',
    shown: { metric: ['bar'], us: ['psi'] },
    infix: false,
    units: [u('Pa', 1), u('kPa', 1e3), u('MPa', 1e6), u('bar', 1e5), u('psi', 6894.757293168361)],
  },
  flow: {
    canonical: 'l/min',
    shown: { metric: ['l/min'], us: ['gpm'] },
    infix: false,
    units: [u('l/min', 1, ['L/min', 'lpm', 'l']), u('l/h', 1 / 60, ['L/h']), u('gpm', 3.785411784)],
  },
  heatLoss: {
    canonical: 'W/K',
    shown: { metric: ['W/K'], us: ['Btu/(h·°F)'] },
    infix: false,
    units: [u('W/K', 1), u('Btu/(h·°F)', 0.52752792631, ['Btu/h/F', 'BTU/h/F'])],
  },
  heatCapacity: {
    canonical: 'J/K',
    shown: { metric: ['kJ/K'], us: ['Btu/°F'] },
    infix: false,
    units: [u('J/K', 1), u('kJ/K', 1000), u('Btu/°F', 1899.100534716, ['Btu/F', 'BTU/F'])],
  },
  massFlow: {
    canonical: 'kg/s',
    shown: { metric: ['kg/s'], us: ['lb/min'] },
    infix: false,
    units: [u('kg/s', 1), u('g/s', 1e-3), u('lb/min', POUND / 60)],
  },
  airFlow: {
    canonical: 'l/min',
    shown: { metric: ['l/min'], us: ['cfm'] },
    infix: false,
    units: [u('l/min', 1, ['L/min', 'lpm', 'l']), u('m³/h', 1000 / 60, ['m3/h']), u('cfm', 28.316846592)],
  },
  speed: {
    canonical: 'm/s',
    shown: { metric: ['km/h'], us: ['mph'] },
    infix: false,
    units: [u('m/s', 1), u('km/h', 1 / 3.6, ['kmh', 'kph']), u('mph', 0.44704)],
  },
  ratio: { canonical: '', shown: both('%'), infix: false, units: [u('', 1), u('%', 0.01, ['percent', 'per cent'])] },
  count: { canonical: '', shown: both(''), infix: false, units: [u('', 1, ['pcs', 'x', '×'])] },
  i2t: {
    canonical: 'A²s',
    shown: both('A²s', 'kA²s'),
    infix: false,
    units: [u('A²s', 1, ['A2s']), u('kA²s', 1e3, ['kA2s'])],
  },
  voltagePerTime: { canonical: 'V/s', shown: both('V/s'), infix: false, units: [u('V/s', 1)] },
  force: {
    canonical: 'N',
    shown: { metric: ['N', 'kN'], us: ['lbf'] },
    infix: false,
    units: [u('N', 1), u('kN', 1e3), u('lbf', POUND * GRAVITY, ['lb', 'lbs'])],
  },
  acceleration: {
    canonical: 'm/s²',
    shown: { metric: ['m/s²'], us: ['ft/s²'] },
    infix: false,
    units: [u('m/s²', 1, ['m/s2']), u('ft/s²', FOOT, ['ft/s2'])],
  },
  torque: {
    canonical: 'Nm',
    shown: { metric: ['Nm'], us: ['lbf·ft'] },
    infix: false,
    units: [u('Nm', 1, ['N·m', 'N m']), u('lbf·ft', POUND * GRAVITY * FOOT, ['lb-ft', 'lb·ft', 'ft-lb'])],
  },
  /** Energy for a distance on the road. */
  consumption: {
    canonical: 'Wh/km',
    shown: { metric: ['Wh/km'], us: ['Wh/mi'] },
    infix: false,
    units: [u('Wh/km', 1), u('Wh/mi', 1000 / MILE)],
  },
  /** Anything counted or paid for each kilometre of road. */
  perDistance: {
    canonical: '/km',
    shown: { metric: ['/km'], us: ['/mi'] },
    infix: false,
    units: [u('/km', 1, ['1/km']), u('/mi', 1000 / MILE, ['1/mi'])],
  },
  springRate: {
    canonical: 'N/m',
    shown: { metric: ['N/mm'], us: ['lbf/in'] },
    infix: false,
    units: [u('N/m', 1), u('N/mm', 1e3), u('lbf/in', (POUND * GRAVITY) / INCH, ['lb/in'])],
  },
  surface: {
    canonical: 'm²',
    shown: { metric: ['m²'], us: ['ft²'] },
    infix: false,
    units: [u('m²', 1, ['m2']), u('ft²', FOOT * FOOT, ['ft2', 'sq ft'])],
  },
  volume: {
    canonical: 'l',
    shown: { metric: ['l'], us: ['gal'] },
    infix: false,
    // A US gallon is 231 cubic inches, exactly.
    units: [
      u('l', 1, ['L', 'litre', 'litres', 'liter', 'liters']),
      u('gal', 231 * INCH ** 3 * 1000, ['gallon', 'gallons']),
    ],
  },
  inductancePerLength: {
    canonical: 'H/m',
    shown: { metric: ['µH/m'], us: ['µH/ft'] },
    infix: false,
    units: [u('H/m', 1), u('µH/m', 1e-6, ['uH/m']), u('µH/ft', 1e-6 / FOOT, ['uH/ft'])],
  },
};

export type UnitSystem = 'metric' | 'us';

/** A figure with its dimension; `value` is in the dimension's canonical unit. */
export interface Quantity {
  readonly value: number;
  readonly dimension: Dimension;
}

export const quantity = (value: number, dimension: Dimension): Quantity => ({ value, dimension });

/** Finds a unit by what people type: exact spelling first, then ignoring case when only one unit fits. */
export function findUnit(dimension: Dimension, text: string): Unit | undefined {
  const wanted = text.trim().replace(/\s+/g, ' ');
  const { units } = DIMENSIONS[dimension];
  const names = (unit: Unit) => [unit.symbol, ...(unit.aliases ?? [])];
  const exact = units.find((unit) => names(unit).includes(wanted));
  if (exact) return exact;
  const folded = wanted.toLowerCase();
  const near = units.filter((unit) => names(unit).some((name) => name.toLowerCase() === folded));
  return near.length === 1 ? near[0] : undefined;
}

export function unitNamed(dimension: Dimension, symbol: string): Unit {
  const found = DIMENSIONS[dimension].units.find((unit) => unit.symbol === symbol);
  if (!found) throw new Error(`no unit ${symbol} in ${dimension}`);
  return found;
}

export const toCanonical = (typed: number, unit: Unit): number => typed * unit.factor + (unit.offset ?? 0);
export const fromCanonical = (canonical: number, unit: Unit): number => (canonical - (unit.offset ?? 0)) / unit.factor;

/** Converts between two units of one dimension. Throws when a unit is not of that dimension (a programming mistake). */
export function convert(value: number, dimension: Dimension, from: string, to: string): number {
  return fromCanonical(toCanonical(value, unitNamed(dimension, from)), unitNamed(dimension, to));
}
