import type { SheetId } from '../../build';

/** Sheets in words: name, and what it is for. */
export const SHEET_WORDS: Readonly<Record<SheetId, readonly [string, string]>> = {
  'before-hv': ['Before HV', 'Nothing is joined to the cells yet: continuity, bonds, insulation of each cable, torque'],
  'low-voltage': ['12 V alone', 'Disconnect out: wake-up, currents, pedals, stops, what the electronics see'],
  'limited-source': ['Limited source', 'First voltage from a source that can burn nothing'],
  insulation: ['Pack and insulation', 'Each box and both poles to the body, before and after each branch'],
  precharge: ['Precharge and discharge', 'The link up and down again, watched against time'],
  spin: ['Spin', 'Wheels free on stands, little torque'],
  converter: ['DC-DC', 'The car’s own circuits from the traction pack'],
  charge: ['Charge', 'First at low current, then to the full, attended'],
  ancillaries: ['Brakes, steering, heat', 'What the engine took along'],
  road: ['Road', 'Private ground, low power, brakes first'],
  'hand-over': ['Hand-over', 'What a licensed person looks at last'],
};
