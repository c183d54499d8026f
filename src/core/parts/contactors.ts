import type { ContactorPart } from './types';

/** Contactors by voltage class and current; typical figures of sealed DC contactors (generic). */
/** What a sealed contactor stands while a fuse acts (generic): fifty times its largest carry current, and the I²t of half of that for 10 ms. */
const PEAK_MULTIPLE = 50;

/** What the studs and the cable's heat let it carry for a while (generic). */
const OVERLOADS: NonNullable<ContactorPart['overloads']> = [
  { durationS: 10, multiple: 2 },
  { durationS: 60, multiple: 1.5 },
  { durationS: 600, multiple: 1.15 },
];

const contactor = (
  id: string,
  name: string,
  more: Omit<ContactorPart, 'id' | 'name' | 'kind' | 'provenance' | 'coilVoltageV'>,
): ContactorPart => {
  const carries = Math.max(...more.carry.map((point) => point.currentA));
  return {
    id,
    name,
    kind: 'contactor',
    provenance: 'generic',
    coilVoltageV: 12,
    shortTimePeakA: PEAK_MULTIPLE * carries,
    shortTimeI2tA2s: (0.5 * PEAK_MULTIPLE * carries) ** 2 * 0.01,
    overloads: OVERLOADS,
    // Against its mark the magnets blow the arc the wrong way (generic: two fifths of the break current).
    ...(more.polarised ? { reverseBreakCurrentA: 0.4 * more.breakCurrentA } : {}),
    coilPickUpV: 9,
    coilHoldV: 6,
    coilSuppression: 'zener',
    releaseTimeS: 0.012,
    electricalLife: 1000,
    mechanicalLife: 200_000,
    ...more,
  };
};
export const CONTACTORS: readonly ContactorPart[] = [
  contactor('contactor-450-20', 'Precharge relay, 20 A, 450 V DC', {
    ratedVoltageV: 450,
    contactResistanceOhm: 0.01,
    carry: [{ areaMm2: 2.5, currentA: 20 }],
    makeCurrentA: 30,
    breakCurrentA: 10,
    coilPowerW: 3,
    polarised: false,
  }),
  contactor('contactor-900-20', 'Precharge relay, 20 A, 900 V DC', {
    ratedVoltageV: 900,
    contactResistanceOhm: 0.01,
    carry: [{ areaMm2: 2.5, currentA: 20 }],
    makeCurrentA: 30,
    breakCurrentA: 10,
    coilPowerW: 4,
    polarised: false,
  }),
  contactor('contactor-150-200', 'Contactor, 200 A, 150 V DC', {
    ratedVoltageV: 150,
    contactResistanceOhm: 0.0003,
    carry: [
      { areaMm2: 35, currentA: 150 },
      { areaMm2: 70, currentA: 200 },
    ],
    makeCurrentA: 400,
    breakCurrentA: 200,
    coilPowerW: 12,
    polarised: true,
  }),
  contactor('contactor-450-150', 'Contactor, 150 A, 450 V DC', {
    ratedVoltageV: 450,
    contactResistanceOhm: 0.0004,
    carry: [
      { areaMm2: 25, currentA: 110 },
      { areaMm2: 50, currentA: 150 },
    ],
    makeCurrentA: 300,
    breakCurrentA: 150,
    coilPowerW: 6,
    polarised: true,
  }),
  contactor('contactor-450-250', 'Contactor, 250 A, 450 V DC', {
    ratedVoltageV: 450,
    contactResistanceOhm: 0.0003,
    carry: [
      { areaMm2: 35, currentA: 180 },
      { areaMm2: 70, currentA: 250 },
    ],
    makeCurrentA: 400,
    breakCurrentA: 250,
    coilPowerW: 8,
    polarised: true,
  }),
  contactor('contactor-750-350', 'Contactor, 350 A, 750 V DC', {
    ratedVoltageV: 750,
    contactResistanceOhm: 0.0002,
    carry: [
      { areaMm2: 50, currentA: 250 },
      { areaMm2: 95, currentA: 350 },
    ],
    makeCurrentA: 650,
    breakCurrentA: 400,
    coilPowerW: 10,
    polarised: false,
  }),
  contactor('contactor-120-100', 'Contactor, 100 A, 120 V DC', {
    ratedVoltageV: 120,
    contactResistanceOhm: 0.0005,
    carry: [
      { areaMm2: 16, currentA: 75 },
      { areaMm2: 35, currentA: 100 },
    ],
    makeCurrentA: 200,
    breakCurrentA: 100,
    coilPowerW: 10,
    polarised: false,
  }),
  contactor('contactor-150-400', 'Contactor, 400 A, 150 V DC', {
    ratedVoltageV: 150,
    contactResistanceOhm: 0.00015,
    carry: [
      { areaMm2: 70, currentA: 290 },
      { areaMm2: 120, currentA: 400 },
    ],
    makeCurrentA: 800,
    breakCurrentA: 400,
    coilPowerW: 20,
    polarised: true,
  }),
  contactor('contactor-450-50', 'Contactor, 50 A, 450 V DC', {
    ratedVoltageV: 450,
    contactResistanceOhm: 0.002,
    carry: [
      { areaMm2: 6, currentA: 35 },
      { areaMm2: 10, currentA: 50 },
    ],
    makeCurrentA: 100,
    breakCurrentA: 50,
    coilPowerW: 5,
    polarised: false,
  }),
  contactor('contactor-450-400', 'Contactor, 400 A, 450 V DC', {
    ratedVoltageV: 450,
    contactResistanceOhm: 0.0002,
    carry: [
      { areaMm2: 70, currentA: 290 },
      { areaMm2: 120, currentA: 400 },
    ],
    makeCurrentA: 650,
    breakCurrentA: 400,
    coilPowerW: 11,
    polarised: true,
  }),
  contactor('contactor-900-200', 'Contactor, 200 A, 900 V DC', {
    ratedVoltageV: 900,
    contactResistanceOhm: 0.0003,
    carry: [
      { areaMm2: 35, currentA: 145 },
      { areaMm2: 70, currentA: 200 },
    ],
    makeCurrentA: 400,
    breakCurrentA: 200,
    coilPowerW: 10,
    polarised: false,
  }),
];
