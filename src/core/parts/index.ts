export { type Asked, type PackVolts, partAtVoltage } from './at-voltage';
export { CATALOGUE, catalogueOf, cataloguePart, findCataloguePart } from './catalogue';
export { contradictions } from './contradictions';
export type { Field, Fields } from './fields';
export { fuseOf } from './fuses';
export { PART_KINDS, type PartDefinition } from './kinds';
export { LOAD_PRESETS, type LoadPreset, USUAL_LOADS } from './low-presets';
export {
  BATTERY_PRESETS,
  CHEMISTRY_WORDS,
  CONVERTER_POWERS,
  lowBase,
  lowFuse,
  lowLoadOf,
  lowWire,
  PEAK_S,
  PULSE_LIFE,
  SET_VOLTAGES,
  usualConverter,
  WARN_BELOW_V,
} from './low-voltage';
export { ORIGINS, type Origin, type Origins } from './origin';
export { figuresFrom, figureWords, unsureOf } from './origins';
export type * from './types';
