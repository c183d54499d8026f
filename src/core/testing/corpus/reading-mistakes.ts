import { both, type Change, edit } from './change';
import type { Harmless, Mistake } from './mistake';

/** A reading written down, and adopted unless told otherwise. */
const read = (subjectId: string, field: string, value: number, date: string, adopt = true): Change =>
  edit({
    edit: 'addReading',
    input: {
      reading: { id: `r-${field}-${date}`, subjectId, field, value, date, conditions: 'rested over night', by: '' },
      adopt,
    },
  });
const KIND = 'Readings';

/** What was read wrong, or is older than what contradicts it. */
export const READING_MISTAKES: readonly Mistake[] = [
  {
    kind: KIND,
    did: 'a cell’s resistance read in the wrong unit, a thousandth of what it is, and adopted',
    on: 'firn',
    plant: read('box-rear', 'resistanceOhm', 1.2e-6, '2026-05-02'),
    speaks: 'survey.reading:box-rear',
    says: 'Rear box: read it again',
    asks: true,
  },
  {
    kind: KIND,
    did: 'the vehicle weighed as a tenth of what it weighs, and adopted',
    on: 'larkspur',
    plant: read('build', 'massEmpty', 98, '2026-05-02'),
    speaks: 'survey.reading:readings',
    says: 'Vehicle: read it again',
    asks: true,
  },
  {
    kind: KIND,
    did: 'a capacity adopted from an old test, and a newer test that says a fifth less',
    on: 'teasel',
    plant: both(
      read('tray-front', 'capacityAh', 215, '2025-05-02'),
      read('tray-front', 'capacityAh', 172, '2026-05-02', false),
    ),
    speaks: 'survey.reading:tray-front',
    says: 'Front tray: read it again',
    asks: true,
  },
  {
    kind: KIND,
    did: 'insulation of the inverter read so low that a hand feels it, and adopted',
    on: 'firn',
    plant: read('inverter', 'insulationOhm', 30000, '2026-05-02'),
    speaks: 'insulation.resistance:pack',
    says: 'Too much insulation leakage to the body',
  },
  {
    kind: KIND,
    did: 'a cable’s length of inches written down as feet, and adopted',
    on: 'firn',
    plant: read('c-minus', 'lengthM', 21, '2026-05-02'),
    speaks: 'survey.reading:c-minus',
    says: 'Shunt to bus minus: read it again',
    asks: true,
  },
];

export const READING_HARMLESS: readonly Harmless[] = [
  {
    did: 'an old fault, its cause found and mended, and a price agreed that covers the parts',
    on: 'larkspur',
    change: edit(
      {
        edit: 'setOldFault',
        input: { fault: { id: 'o1', what: 'Horn is dead', cause: 'wire off its spade', mended: true } },
      },
      { edit: 'setFigure', input: { figure: 'agreedPrice', value: 20000 } },
    ),
  },
  {
    did: 'a cell’s resistance measured two percent below its sheet, and adopted',
    on: 'firn',
    change: (build) => {
      const part = build.parts[build.circuits.hv.devices['box-rear']!.partId!]!;
      const ohm = part.kind === 'cell' ? part.resistanceOhm : Number.NaN;
      return read('box-rear', 'resistanceOhm', ohm * 0.98, '2026-05-02')(build);
    },
  },
  {
    did: 'two readings of the empty mass that agree, the older one adopted',
    on: 'larkspur',
    change: (build) => {
      const kg = build.vehicle.massEmptyKg!;
      return both(
        read('build', 'massEmpty', kg, '2026-05-02'),
        read('build', 'massEmpty', kg + 4, '2026-06-02', false),
      )(build);
    },
  },
  {
    did: 'insulation read far above what is asked, and adopted',
    on: 'firn',
    change: read('inverter', 'insulationOhm', 2e7, '2026-05-02'),
  },
];
