import type { Build } from '../types';
import { arrange } from './arrange';
import { FILTERS, laid, SampleWriter, withCoils, withLow } from './bench-kit';
import { BY_CONTROLLER } from './controls';

/**
 * A narrow vineyard tractor, made up. 84 V of flooded lead cells in two trays, a series DC motor behind a controller, one contactor and a
 * hand disconnect. The old way, done properly.
 */
export function teasel(id = 'teasel'): Build {
  const w = new SampleWriter();
  const rear = { xM: 1.2, yM: 0, zM: 0.7, zoneId: 'zone-boot' };
  const front = { xM: -0.3, yM: 0, zM: 0.7, zoneId: 'zone-bay' };

  w.device('tray-front', 'box', 'Front tray', 'cell-lead-220', front, {
    cellsInSeries: 24,
    cellsInParallel: 1,
    hold: { fixings: 8, bolt: 'M10', boltClass: '8.8', reachCells: true, vent: true, drain: true },
  });
  w.device('tray-rear', 'box', 'Rear tray', 'cell-lead-220', rear, {
    cellsInSeries: 18,
    cellsInParallel: 1,
    hold: {
      fixings: 6,
      bolt: 'M10',
      boltClass: '8.8',
      reachCells: true,
      reachFuse: true,
      reachDisconnect: true,
      vent: true,
      drain: true,
    },
  });
  w.device('f-main', 'fuse', 'Main fuse', 'fuse-traction-150-160', front);
  w.device('s-hand', 'disconnect', 'Pull switch', 'disconnect-150-250', rear);
  w.device('k-main', 'contactor', 'Line contactor', 'contactor-150-400', front, { role: 'main-plus' });
  w.device('k-pre', 'contactor', 'Precharge relay', 'contactor-450-20', front, { role: 'precharge' });
  w.device('r-pre', 'precharge-resistor', 'Precharge resistor', 'resistor-47-50', front);
  w.device('motor', 'motor', 'Motor', 'motor-series-16', front);
  w.device('controller', 'inverter', 'Motor controller', 'chopper-96-450', front);
  w.device('f-conv', 'fuse', 'Converter fuse', 'fuse-traction-150-10', front);
  w.device('converter', 'converter', 'Converter', 'converter-96-500', front, {
    powersW: { ready: 60, cruise: 180, 'hard-acceleration': 180, hill: 180 },
  });
  w.device('f-charger', 'fuse', 'Charger fuse', 'fuse-traction-150-40', front);
  w.device('charger', 'charger', 'Charger', 'charger-96-2000', front, {
    powersW: { charging: 1900 },
    plug: { outside: false, seenBy: 'own-contact' },
  });
  w.device('j-plus', 'junction', 'Bus plus', null, front);
  w.device('j-minus', 'junction', 'Bus minus', null, front);

  const big = 'cable-plain-95';
  const bay = laid('zone-bay');
  const rail = laid('zone-underbody', { conduit: true });
  w.route(
    'way-mid',
    'Tray to tray, left rail',
    [
      [0.1, 0.25, 0.5],
      [0.85, 0.25, 0.5],
    ],
    rail,
    0.2,
  );
  w.cable('c-front-plus', 'Front tray plus to main fuse', 'tray-front.plus', 'f-main.a', big, {
    lengthM: 0.15,
    laid: bay,
  });
  w.cable('c-fuse', 'Main fuse to line contactor', 'f-main.b', 'k-main.a', big, { lengthM: 0.3, laid: bay });
  w.cable('c-pre-tap', 'Precharge tap', 'k-main.a', 'k-pre.a', 'cable-plain-4', { lengthM: 0.15, laid: bay });
  w.cable('c-pre-mid', 'Precharge relay to resistor', 'k-pre.b', 'r-pre.a', 'cable-plain-4', {
    lengthM: 0.15,
    laid: bay,
  });
  w.cable('c-pre-bus', 'Precharge resistor to bus', 'r-pre.b', 'k-main.b', 'cable-plain-4', {
    lengthM: 0.15,
    laid: bay,
  });
  w.cable('c-bus', 'Line contactor to bus plus', 'k-main.b', 'j-plus.n', big, { lengthM: 0.25, laid: bay });
  w.cable('c-ctl-plus', 'Bus to controller plus', 'j-plus.n', 'controller.plus', big, { lengthM: 0.4, laid: bay });
  w.cable('c-mid', 'Front tray to pull switch', 'tray-front.minus', 's-hand.a', 'cable-shielded-95', {
    routeId: 'way-mid',
  });
  w.cable('c-mid-rear', 'Pull switch to rear tray', 's-hand.b', 'tray-rear.plus', big, {
    lengthM: 0.15,
    laid: laid('zone-boot'),
  });
  w.cable('c-minus', 'Rear tray to bus minus', 'tray-rear.minus', 'j-minus.n', big, { lengthM: 1.8, laid: rail });
  w.cable('c-ctl-minus', 'Bus to controller minus', 'j-minus.n', 'controller.minus', big, { lengthM: 0.4, laid: bay });
  for (const [key, name, device, part] of [
    ['conv', 'Converter', 'converter', 'cable-plain-4'],
    ['charger', 'Charger', 'charger', 'cable-plain-6'],
  ] as const) {
    w.cable(`c-${key}-tap`, `Bus to ${name.toLowerCase()} fuse`, 'j-plus.n', `f-${key}.a`, part, {
      lengthM: 0.15,
      laid: bay,
    });
    w.cable(`c-${key}-plus`, `${name} plus`, `f-${key}.b`, `${device}.plus`, part, { lengthM: 0.6, laid: bay });
    w.cable(`c-${key}-minus`, `${name} minus`, `${device}.minus`, 'j-minus.n', part, { lengthM: 0.6, laid: bay });
  }

  w.measuredLeakage(10e6);
  w.filters(FILTERS);
  const build = w.build(id, 'Teasel', {
    notes: 'Sample build, made up. The old way, done properly.',
    schools: {
      contactors: 'single-pole',
      fusePosition: 'pack-terminal',
      emergencyStop: 'mechanical',
      clutch: 'kept',
      brakes: 'unassisted',
      steering: 'none',
      cooling: 'plate',
      ancillaries: 'separate',
      auxiliaryBattery: 'kept',
      bms: 'none',
      command: 'motor-controller',
      cableRoute: 'under-floor',
    },
    vehicle: {
      description: 'Narrow vineyard tractor with a series motor and a chain stage',
      altitudeM: 310,
      wheelbaseM: 1.5,
      massEmptyKg: 980,
      grossMassKg: 1700,
      startingPoint: 'engine-out',
      body: 'tractor',
      category: 'T',
      payloadKg: 400,
      rollingCoefficient: 0.06,
      tyre: '9.5-24',
      finalDriveRatio: 9,
      stageRatio: 1.6,
      gearRatios: [4.2, 2.1, 1],
    },
    safeguards: {
      barriers: true,
      labels: true,
      orange: true,
      bonding: true,
      interlock: true,
      clearance: true,
      'insulation-watch': true,
      crash: true,
      'drive-lock': true,
      'residual-current': true,
      'lids-locked': true,
      'key-switch': true,
      'set-points': true,
    },
    asFound: {
      'gearbox-turns': { state: 'good', note: '' },
      'gearbox-shifts': { state: 'good', note: 'three speeds, selected at rest' },
      brakes: { state: 'good', note: '' },
      steering: { state: 'good', note: '' },
      suspension: { state: 'good', note: '' },
      'old-wiring': { state: 'good', note: '' },
      rust: { state: 'good', note: '' },
      lights: { state: 'good', note: 'none on the field' },
      leaks: { state: 'good', note: '' },
    },
    oldParts: {
      'old-engine-loom': { id: 'old-engine-loom', name: 'Engine loom', kind: 'loom', fate: 'strip', note: '' },
      'old-hood': { id: 'old-hood', name: 'Engine cover', kind: 'part', fate: 'keep', note: '' },
    },
    bms: { ventMm2: 30000, waterReserveKg: 0.6 },
    supply: { voltageV: 230, phases: 1, breakerA: 16, outlet: 'socket', runM: 12, runMm2: 2.5 },
    brakes: { pedalN: 300, discKg: 45, pedalStop: true, pedalTold: true },
    cooling: { plateM2: 0.7 },
    gauges: {
      shows: {
        fuel: 'replaced',
        temperature: 'none',
        oil: 'none',
        ammeter: 'replaced',
        tachometer: 'none',
        speedometer: 'none',
      },
      lowTwelve: true,
      insulationLamp: true,
      hours: true,
    },
    steering: { ratio: 20, rimM: 0.2, tyrePa: 160000 },
    controls: BY_CONTROLLER,
    charging: {
      cellV: 2.45,
      perKelvinV: 0.004,
      cutoffA: 6,
      cutoffAt: 'pack',
      outputA: 20,
      efficiency: 0.86,
      cordA: 16,
      fromSoc: 0.5,
      nightS: 43200,
      isolated: true,
      apart: 'one-bus',
      torqueBlocked: true,
      residual: 'b',
      seenEnd: 'lamp',
      acMm2: 2.5,
      acEarthMm2: 2.5,
      acClassC: 90,
      acBreakerA: 16,
      earthOhm: 0.03,
      acHeld: true,
    },
    chassis: {
      trackM: 0.95,
      widthM: 1.15,
      heightM: 1.9,
      frontOverhangM: 0.7,
      rearOverhangM: 0.5,
      foundKg: 1010,
      foundFrontShare: 0.42,
      strippedKg: 335,
      strippedFrontShare: 0.3,
      payloadXM: 1.6,
      frontLimitKg: 700,
      rearLimitKg: 1250,
    },
    stage: { kind: 'chain', motorPulleyM: 0.09, sideLimitN: 6000, overspeedCut: true },
    losses: {
      'brake-vacuum': 'none',
      'steering-pump': 'none',
      'heater-matrix': 'none',
      'exhaust-heat': 'none',
      'air-conditioning': 'none',
      alternator: 'had',
      gauges: 'none',
      tachometer: 'dropped',
      'fuel-pump': 'none',
      'cruise-control': 'none',
      'park-lock': 'none',
    },
    duty: {
      powersFrom: 'vehicle',
      cruiseSpeedMPerS: 23 / 3.6,
      tripId: 'farm',
      dailyDistanceM: 15000,
      coldestDayC: -8,
      hottestDayC: 34,
      regenerationPowerW: 0,
      cruisePowerW: 6500,
      hardAccelerationPowerW: 12000,
      hardAccelerationS: 20,
    },
    packLimits: { socEmpty: 0.35, coldestCellC: 5, warmestCellC: 35, agedHealth: 0.8 },
  });
  return arrange(
    withLow(withCoils(build, 0.6, 1.2), {
      battery: 'lead-45',
      converterW: 300,
      converterLengthM: 0.6,
      fusesAtC: 45,
      loads: ['control-unit', 'tail', 'hazard'],
    }),
    {
      'tray-front': { at: [-0.3, 0, 0.7], size: [0.7, 0.6, 0.28] },
      'tray-rear': { at: [1.2, 0, 0.7], size: [0.6, 0.6, 0.28] },
      's-hand': { at: [1, 0.2, 0.8], inside: 'tray-rear' },
      'f-main': { at: [-0.05, 0.2, 0.8], inside: 'tray-front' },
      motor: { at: [0.5, 0, 0.55] },
      controller: { at: [0.45, 0.15, 0.95] },
      converter: { at: [0.45, -0.25, 0.95] },
      charger: { at: [0.1, 0, 1.05] },
      'coil-battery': { at: [0.75, 0.25, 0.8] },
    },
    {
      // No fuse stands between it and the rear tray: sheathed, in a conduit, under a cover.
      'way-mid': {
        cover: true,
        overBrakeLine: false,
        throughPanel: false,
        shieldEarthed: 'both',
        signalDistanceM: 0.2,
      },
    },
  );
}
