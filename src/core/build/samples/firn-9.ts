import type { Build } from '../types';
import { arrange } from './arrange';
import { FILTERS, laid, SampleWriter, withCoils, withLow } from './bench-kit';
import { BY_MESSAGES } from './controls';
import { FIRN_SHEETS } from './firn-9-tests';
import { withWays } from './firn-9-ways';
import { firnWiring } from './harness';
import { FIRN_PLAN } from './plan';
import { standLow } from './stand';
import { commissionOf, FIRN_MORE } from './tests-kit';

/**
 * A nine-seat mountain-hut shuttle, rear-drive, 1970s ladder frame, made up. 90s salvaged NMC modules in two unequal boxes.
 * Most things hold; a few margins are thin; the heater's fuse and the charger's fuse fail on purpose.
 */
export function firn9(id = 'firn-9'): Build {
  const w = new SampleWriter();
  const rear = { xM: 2.75, yM: 0, zM: 0.55, zoneId: 'zone-boot' };
  const front = { xM: 0.9, yM: 0, zM: 0.6, zoneId: 'zone-underbody' };
  const bay = { xM: 0.2, yM: 0, zM: 0.8, zoneId: 'zone-bay' };

  w.device('box-rear', 'box', 'Rear box', 'cell-nmc-module-176', rear, {
    cellsInSeries: 54,
    cellsInParallel: 1,
    hold: {
      fixings: 8,
      bolt: 'M10',
      boltClass: '8.8',
      reachCells: true,
      reachFuse: true,
      reachDisconnect: true,
      vent: true,
      drain: true,
    },
  });
  w.device('box-front', 'box', 'Front box', 'cell-nmc-module-176', front, {
    cellsInSeries: 36,
    cellsInParallel: 1,
    hold: { fixings: 6, bolt: 'M10', boltClass: '8.8', reachCells: true, vent: true, drain: true },
  });
  w.device('f-mid', 'fuse', 'Mid fuse', 'fuse-traction-500-300', rear);
  w.device('s-mid', 'disconnect', 'Service disconnect', 'disconnect-500-250', rear);
  w.device('k-plus', 'contactor', 'K+ main', 'contactor-450-250', rear, { role: 'main-plus' });
  w.device('k-minus', 'contactor', 'K− main', 'contactor-450-250', front, { role: 'main-minus' });
  w.device('k-pre', 'contactor', 'Precharge relay', 'contactor-450-20', rear, { role: 'precharge' });
  w.device('r-pre', 'precharge-resistor', 'Precharge resistor', 'resistor-100-100', rear);
  w.device('shunt', 'sensor', 'Shunt', 'shunt-500', front);
  w.device('j-plus', 'junction', 'Bus plus', null, bay);
  w.device('j-minus', 'junction', 'Bus minus', null, bay);
  w.device('f-heater', 'fuse', 'Heater fuse', 'fuse-traction-500-63', bay);
  w.device('f-charger', 'fuse', 'Charger fuse', 'fuse-traction-250-32', bay);
  w.device('heater', 'heater', 'Coolant heater', 'heater-400-5000', bay, {
    powersW: { cruise: 4500, heating: 5000 },
  });
  w.device('charger', 'charger-converter', 'Charger and converter', 'charger-converter-400', bay, {
    powersW: { ready: 400, cruise: 1100, 'hard-acceleration': 1100, hill: 1100, heating: 700, charging: 4800 },
    plug: { outside: false, seenBy: 'proximity' },
  });
  w.device('inverter', 'inverter', 'Inverter', 'inverter-400-300', bay);
  w.device('motor', 'motor', 'Motor', 'motor-pm-110', bay);

  w.route(
    'way-mid',
    'Rear box to front box, left rail',
    [
      [2, 0.42, 0.42],
      [1.35, 0.42, 0.42],
    ],
    laid('zone-underbody', { conduit: true }),
    0.222,
  );
  w.route(
    'way-plus',
    'Rear box to bus plus, right rail',
    [
      [2, -0.42, 0.42],
      [0.5, -0.42, 0.42],
    ],
    laid('zone-underbody', { conduit: true }),
    0.272,
  );

  const main = 'cable-shielded-70';
  const inBox = 'cable-plain-70';
  const thin = 'cable-plain-4';
  w.cable('c-rear-plus', 'Rear box plus to K+', 'box-rear.plus', 'k-plus.a', inBox, {
    lengthM: 0.25,
    laid: laid('zone-boot'),
  });
  w.cable('c-pre-tap', 'Precharge tap', 'k-plus.a', 'k-pre.a', thin, { lengthM: 0.15, laid: laid('zone-boot') });
  w.cable('c-pre-mid', 'Precharge relay to resistor', 'k-pre.b', 'r-pre.a', thin, {
    lengthM: 0.15,
    laid: laid('zone-boot'),
  });
  w.cable('c-pre-bus', 'Precharge resistor to K+', 'r-pre.b', 'k-plus.b', thin, {
    lengthM: 0.15,
    laid: laid('zone-boot'),
  });
  w.cable('c-plus', 'K+ to bus plus', 'k-plus.b', 'j-plus.n', main, { routeId: 'way-plus' });
  w.cable('c-rear-minus', 'Rear box minus to mid fuse', 'box-rear.minus', 'f-mid.a', inBox, {
    lengthM: 0.15,
    laid: laid('zone-boot'),
  });
  w.cable('c-mid-fuse', 'Mid fuse to service disconnect', 'f-mid.b', 's-mid.a', inBox, {
    lengthM: 0.15,
    laid: laid('zone-boot'),
  });
  w.cable('c-mid', 'Pack rear to front', 's-mid.b', 'box-front.plus', main, { routeId: 'way-mid' });
  w.cable('c-front-minus', 'Front box minus to K−', 'box-front.minus', 'k-minus.a', inBox, {
    lengthM: 0.2,
    laid: laid('zone-underbody'),
  });
  w.cable('c-shunt', 'K− to shunt', 'k-minus.b', 'shunt.a', inBox, { lengthM: 0.2, laid: laid('zone-underbody') });
  w.cable('c-minus', 'Shunt to bus minus', 'shunt.b', 'j-minus.n', main, { lengthM: 1.1, laid: laid('zone-bay') });
  w.cable('c-inv-plus', 'Bus to inverter plus', 'j-plus.n', 'inverter.plus', main, {
    lengthM: 0.6,
    laid: laid('zone-bay'),
  });
  w.cable('c-inv-minus', 'Bus to inverter minus', 'j-minus.n', 'inverter.minus', main, {
    lengthM: 0.6,
    laid: laid('zone-bay'),
  });
  const branch = 'cable-shielded-4';
  w.cable('c-heat-tap', 'Bus to heater fuse', 'j-plus.n', 'f-heater.a', branch, {
    lengthM: 0.2,
    laid: laid('zone-bay'),
  });
  w.cable('c-heat-plus', 'Heater plus', 'f-heater.b', 'heater.plus', branch, {
    lengthM: 0.9,
    laid: laid('zone-hot', { arrangement: 'touching-pair' }),
  });
  w.cable('c-heat-minus', 'Heater minus', 'heater.minus', 'j-minus.n', branch, {
    lengthM: 0.9,
    laid: laid('zone-hot', { arrangement: 'touching-pair' }),
  });
  const charge = 'cable-shielded-6';
  w.cable('c-chg-tap', 'Bus to charger fuse', 'j-plus.n', 'f-charger.a', charge, {
    lengthM: 0.2,
    laid: laid('zone-bay'),
  });
  w.cable('c-chg-plus', 'Charger plus', 'f-charger.b', 'charger.plus', charge, {
    lengthM: 1.3,
    laid: laid('zone-bay', { arrangement: 'touching-pair' }),
  });
  w.cable('c-chg-minus', 'Charger minus', 'charger.minus', 'j-minus.n', charge, {
    lengthM: 1.3,
    laid: laid('zone-bay', { arrangement: 'touching-pair' }),
  });

  w.measuredLeakage(10e6);
  w.filters(FILTERS);
  const build = w.build(id, 'Firn 9', {
    notes: 'Sample build, made up. The heater fuse and the charger fuse are wrong on purpose.',
    schools: {
      contactors: 'both-poles',
      fusePosition: 'mid-string',
      emergencyStop: 'electrical',
      clutch: 'coupler',
      brakes: 'vacuum-pump',
      steering: 'pump-always',
      heating: 'coolant-heater',
      cooling: 'liquid',
      ancillaries: 'separate',
      auxiliaryBattery: 'kept',
      bms: 'central',
      balance: 'top',
      command: 'replacement-unit',
      cableRoute: 'under-floor',
    },
    vehicle: {
      description: 'Nine-seat mountain-hut shuttle, rear-drive, 1970s ladder frame',
      altitudeM: 1900,
      wheelbaseM: 2.4,
      massEmptyKg: 1850,
      grossMassKg: 3050,
      startingPoint: 'engine-out',
      body: 'van',
      category: 'M1',
      payloadKg: 750,
      dragAreaM2: 2,
      rollingCoefficient: 0.016,
      tyre: '195/80R15C 106/104R',
      finalDriveRatio: 4.1,
      stageRatio: 1.95,
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
    },
    asFound: {
      'gearbox-turns': { state: 'good', note: '' },
      'gearbox-shifts': { state: 'good', note: '' },
      brakes: { state: 'good', note: '' },
      steering: { state: 'good', note: '' },
      suspension: { state: 'good', note: '' },
      'old-wiring': { state: 'good', note: 'rear loom renewed' },
      rust: { state: 'good', note: 'frame sound where the boxes go' },
      lights: { state: 'good', note: '' },
      leaks: { state: 'good', note: '' },
    },
    oldParts: {
      'old-engine-loom': { id: 'old-engine-loom', name: 'Engine loom', kind: 'loom', fate: 'strip', note: '' },
      'old-light-loom': { id: 'old-light-loom', name: 'Lighting loom', kind: 'loom', fate: 'keep', note: '' },
      'old-dash-loom': { id: 'old-dash-loom', name: 'Dashboard loom', kind: 'loom', fate: 'extend', note: '' },
      'old-tank': { id: 'old-tank', name: 'Fuel tank, lines and pump', kind: 'part', fate: 'strip', note: '' },
    },
    supply: { voltageV: 230, phases: 1, breakerA: 32, outlet: 'wall-unit', runM: 9, runMm2: 6 },
    bms: {
      overV: 4.22,
      overReleaseV: 4.14,
      underV: 2.8,
      underReleaseV: 3.1,
      chargeFromC: 2,
      chargeToC: 45,
      dischargeToC: 58,
      balanceFromV: 4,
      balanceA: 0.2,
      balanceDuty: 0.5,
      channels: 96,
      senseM: 2.2,
      senseMm2: 0.35,
      sensePins: 24,
      pausesBleeding: true,
      kept: false,
      stopsCharger: true,
      throttlesCharger: true,
      curves: {
        chargeByC: [
          [0, 0],
          [5, 60],
          [15, 120],
          [40, 120],
          [45, 0],
        ],
        dischargeByC: [
          [-20, 0],
          [-14, 210],
          [-10, 260],
          [0, 300],
          [50, 300],
          [60, 0],
        ],
        chargeBySoc: [
          [0, 120],
          [0.9, 120],
          [0.97, 20],
          [1, 0],
        ],
      },
      opensCoils: true,
      senseFused: true,
      // Between 3.902 and 3.912 V, as a salvaged pack stands.
      tapsV: Array.from({ length: 90 }, (_, k) => 3.902 + ((k * 7) % 11) / 1000),
    },
    brakes: {
      boosterL: 3,
      reservoirL: 5,
      hoseL: 0.2,
      sweptL: 1.2,
      pumpLPerMin: 18,
      pumpMostPa: 86000,
      flowBasis: 'free-air',
      pumpDuty: 0.4,
      switchOnPa: 48000,
      switchOffPa: 62000,
      switchFollows: false,
      leastPa: 30000,
      warnPa: 38000,
      warnApart: true,
      checkValve: true,
      pumpRubber: true,
      silenced: true,
      pedalN: 150,
      boostRatio: 4,
      discKg: 38,
      pedalStop: true,
      pedalTold: true,
    },
    steering: {
      pistonMm2: 800,
      travelM: 0.045,
      leakLPerMin: 0.8,
      needPa: 5500000,
      bearsPa: 11000000,
      pumpLPerMin: 4.5,
      reliefPa: 8000000,
      efficiency: 0.55,
      idleW: 75,
      idleShare: 1,
      ratio: 22,
      rimM: 0.21,
      tyrePa: 320000,
      pumpFits: true,
    },
    cabin: {
      lossWPerK: 110,
      freshKgPerS: 0.03,
      recirculated: 0.3,
      heatJPerK: 80000,
      wantedC: 20,
      blowerLocked: true,
      cutOut: true,
      dcSwitch: true,
      airToScreen: true,
    },
    cooling: {
      flowLPerMin: 8,
      radiatorWPerK: 260,
      coolantL: 6,
      stillWPerK: 40,
      inletC: 60,
      header: true,
      bleeds: true,
      motorFirst: false,
    },
    gauges: {
      shows: {
        fuel: 'emulated',
        temperature: 'emulated',
        oil: 'none',
        ammeter: 'none',
        tachometer: 'emulated',
        speedometer: 'kept',
      },
      lowTwelve: true,
      insulationLamp: true,
      hours: true,
    },
    controls: BY_MESSAGES,
    plan: FIRN_PLAN,
    commission: commissionOf(FIRN_SHEETS, FIRN_MORE),
    charging: {
      cellV: 4.15,
      cutoffA: 9,
      cutoffAt: 'pack',
      outputA: 20,
      efficiency: 0.93,
      cordA: 32,
      fromSoc: 0.3,
      readyH: 7,
      cheapFromH: 22,
      cheapToH: 6,
      isolated: true,
      apart: 'one-bus',
      torqueBlocked: true,
      residual: 'a-6ma',
      seenEnd: 'gauge',
      acMm2: 6,
      acEarthMm2: 6,
      acClassC: 90,
      acBreakerA: 32,
      earthOhm: 0.01,
      acHeld: true,
    },
    chassis: {
      trackM: 1.45,
      widthM: 1.8,
      heightM: 2.1,
      frontOverhangM: 0.6,
      rearOverhangM: 1.1,
      foundKg: 1720,
      foundFrontShare: 0.56,
      strippedKg: 1385,
      strippedFrontShare: 0.5,
      payloadXM: 1.5,
      frontLimitKg: 1450,
      rearLimitKg: 1850,
      frontSpringNPerM: 110000,
      rearSpringNPerM: 145000,
      frontClearanceM: 0.09,
      rearClearanceM: 0.11,
    },
    losses: {
      'brake-vacuum': 'had',
      'steering-pump': 'had',
      'heater-matrix': 'had',
      'exhaust-heat': 'none',
      'air-conditioning': 'none',
      alternator: 'had',
      gauges: 'had',
      tachometer: 'none',
      'fuel-pump': 'had',
      'cruise-control': 'none',
      'park-lock': 'none',
    },
    duty: {
      powersFrom: 'vehicle',
      cruiseSpeedMPerS: 91 / 3.6,
      tripId: 'hills',
      dailyDistanceM: 60000,
      coldestDayC: -12,
      hottestDayC: 28,
      energyPricePerKWh: 0.28,
      formerFuelCostPerKm: 0.19,
      cruisePowerW: 32000,
      hardAccelerationPowerW: 58000,
      hardAccelerationS: 10,
    },
    regeneration: { asked: 'lift-off', lampLit: true, torqueShare: 0.4 },
    packLimits: { socEmpty: 0.1, coldestCellC: 5, warmestCellC: 40, agedHealth: 0.8 },
  });
  const arranged = arrange(
    withLow(withCoils(build, 1.2, 2.5), {
      battery: 'agm-80',
      converterW: 1500,
      converterLengthM: 1.3,
      fusesAtC: 60,
      loads: [
        'dipped-halogen',
        'tail',
        'brake-lamps',
        'hazard',
        'wipers',
        'blower',
        'radio',
        'coolant-pump',
        'heater-pump',
        'vacuum-pump',
        'steering-pump',
        'control-unit',
        'bms',
        'alarm',
      ],
    }),
    {
      'box-rear': { at: [2.75, 0, 0.55], size: [0.62, 0.9, 0.3] },
      'f-mid': { at: [2.5, 0.3, 0.5], inside: 'box-rear' },
      's-mid': { at: [2.45, 0.35, 0.5], inside: 'box-rear' },
      'k-plus': { at: [2.45, -0.35, 0.5], inside: 'box-rear' },
      'k-pre': { at: [2.5, -0.3, 0.5], inside: 'box-rear' },
      'r-pre': { at: [2.5, -0.25, 0.5], inside: 'box-rear' },
      'box-front': { at: [0.9, 0, 0.6], size: [0.72, 0.6, 0.28], outlet: [0.35, 0.3, -0.1] },
      'k-minus': { at: [0.58, -0.2, 0.55], inside: 'box-front' },
      shunt: { at: [0.56, -0.1, 0.55], inside: 'box-front' },
      'j-plus': { at: [0.3, -0.2, 0.75] },
      'j-minus': { at: [0.3, -0.1, 0.75] },
      'f-heater': { at: [0.36, -0.24, 0.78] },
      'f-charger': { at: [0.36, -0.16, 0.78] },
      inverter: { at: [0.1, 0.22, 0.85] },
      charger: { at: [0.05, -0.3, 0.92] },
      heater: { at: [-0.3, 0.05, 0.8] },
      motor: { at: [0.15, 0, 0.5] },
      'coil-battery': { at: [-0.3, -0.62, 0.75] },
    },
    {
      'way-mid': {
        cover: true,
        overBrakeLine: false,
        shieldEarthed: 'both',
        signalDistanceM: 0.3,
      },
      'way-plus': {
        cover: true,
        overBrakeLine: false,
        shieldEarthed: 'both',
        signalDistanceM: 0.25,
      },
    },
  );
  const dash = 0.72;
  return firnWiring(
    standLow(
      withWays(arranged),
      {
        'low-control-unit-load': [dash, 0.5, 0.8, 'zone-cabin'],
        'low-bms-load': [1.15, -0.5, 0.62, 'zone-cabin'],
        'coil-key': [dash, 0.3, 0.95, 'zone-cabin'],
        'coil-stop': [dash, 0.1, 1, 'zone-cabin'],
        'coil-stop-return': [dash, 0.1, 1, 'zone-cabin'],
        'coil-inertia': [dash, -0.5, 0.7, 'zone-cabin'],
        'coil-interlock': [2.45, 0.2, 0.55, 'zone-boot'],
        'coil-feed': [dash, 0.42, 0.75, 'zone-cabin'],
        'coil-return': [dash, 0.44, 0.7, 'zone-cabin'],
        'coil-earth': [-0.3, -0.5, 0.6, 'zone-bay'],
        'low-dipped-halogen-load': [-0.48, 0.55, 0.7, 'zone-bay'],
        'low-hazard-load': [-0.45, 0.65, 0.65, 'zone-bay'],
        'low-wipers-load': [0.42, 0.2, 1, 'zone-bay'],
        'low-blower-load': [dash, -0.2, 0.85, 'zone-cabin'],
        'low-radio-load': [dash, 0, 0.9, 'zone-cabin'],
        'low-alarm-load': [dash, -0.35, 0.9, 'zone-cabin'],
        'low-coolant-pump-load': [-0.35, 0.3, 0.45, 'zone-bay'],
        'low-heater-pump-load': [-0.35, 0.15, 0.6, 'zone-bay'],
        'low-vacuum-pump-load': [0.3, 0.55, 0.7, 'zone-bay'],
        'low-steering-pump-load': [-0.45, 0.5, 0.5, 'zone-bay'],
      },
      [-0.05, -0.55, 0.85, 'zone-bay'],
      [dash, 0.5, 0.8, 'zone-cabin'],
    ),
  );
}
