export { awgAreaMm2, formatGauge, parseGauge, stockGauges } from './awg';
export { type Formatted, formatArea, formatExact, formatMargin, formatQuantity, preferredUnit } from './format';
export { once } from './once';
export { type Comma, type Parsed, parseQuantity, parseSides } from './parse';
export { inUnits, told } from './told';
export { convert, DIMENSIONS, type Dimension, type Quantity, quantity, type UnitSystem } from './units';
