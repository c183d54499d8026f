import type { Build } from '../types';
import { arrange } from './arrange';
import { FILTERS, laid, SampleWriter, withCoils, withLow } from './bench-kit';
import { BY_CONTROLLER } from './controls';
import { larkspurWiring } from './harness';
import { LARKSPUR_SHEETS } from './larkspur-tests';
import { larkspurLogbook } from './logbook';
import { LARKSPUR_PLAN } from './plan';
import { standLow } from './stand';
import { commissionOf } from './tests-kit';

/**
 * A small four-seat estate of the 1960s, made up. 40s prismatic LFP, about 130 V, one main contactor and a hand-operated disconnect,
 * air heater in the old box, a small charger on board. A finished car: one contactor of 150 V and its hand switch are on the thin side at full charge.
 */
export function larkspur(id = 'larkspur'): Build {
  const w = new SampleWriter();
  const boot = { xM: 2.3, yM: 0, zM: 0.5, zoneId: 'zone-boot' };
  const bay = { xM: 0.1, yM: 0, zM: 0.7, zoneId: 'zone-bay' };
  const cabin = { xM: 0.6, yM: 0.3, zM: 0.7, zoneId: 'zone-cabin' };

  w.device('box', 'box', 'Boot box', 'cell-lfp-180-gentle', boot, {
    cellsInSeries: 28,
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
  w.device('box-bay', 'box', 'Bay box', 'cell-lfp-180-gentle', bay, {
    cellsInSeries: 12,
    cellsInParallel: 1,
    hold: { fixings: 4, bolt: 'M8', boltClass: '8.8', reachCells: true, vent: true, drain: true },
  });
  w.device('f-main', 'fuse', 'Main fuse', 'fuse-traction-250-200', boot);
  w.device('s-hand', 'disconnect', 'Hand switch', 'disconnect-150-250', boot);
  w.device('k-main', 'contactor', 'Main contactor', 'contactor-150-200', bay, { role: 'main-plus' });
  w.device('k-pre', 'contactor', 'Precharge relay', 'contactor-450-20', bay, { role: 'precharge' });
  w.device('r-pre', 'precharge-resistor', 'Precharge resistor', 'resistor-68-50', bay);
  w.device('shunt', 'sensor', 'Shunt', 'shunt-500', bay);
  w.device('j-plus', 'junction', 'Bus plus', null, bay);
  w.device('j-minus', 'junction', 'Bus minus', null, bay);
  w.device('inverter', 'inverter', 'Inverter', 'inverter-144-400', bay);
  w.device('motor', 'motor', 'Motor', 'motor-induction-25', bay);
  w.device('f-heater', 'fuse', 'Heater fuse', 'fuse-traction-250-32', bay);
  w.device('heater', 'heater', 'Air heater', 'heater-144-2000', cabin, {
    sizeM: { lengthM: 0.23, widthM: 0.16, heightM: 0.06 },
    powersW: { cruise: 1500, heating: 2000 },
  });
  w.device('f-conv', 'fuse', 'Converter fuse', 'fuse-traction-250-16', bay);
  w.device('converter', 'converter', 'Converter', 'converter-144-1000', bay, {
    powersW: { ready: 150, cruise: 450, 'hard-acceleration': 450, hill: 450, heating: 300 },
  });
  w.device('f-charger', 'fuse', 'Charger fuse', 'fuse-traction-250-20', bay);
  w.device('charger', 'charger', 'On-board charger', 'charger-144-1500', bay, {
    powersW: { charging: 1400 },
    plug: { outside: false, seenBy: 'proximity' },
  });
  w.device('f-dc', 'fuse', 'Charge plug fuse', 'fuse-traction-250-32', bay);
  w.device('k-dc', 'contactor', 'Charge contactor', 'contactor-450-50', bay, { role: 'charge' });
  w.device('charger-dc', 'charger', 'Garage charger', 'charger-144-3000', null, {
    powersW: { charging: 2400 },
    plug: { outside: true, seenBy: 'own-contact', keyed: true },
  });

  const floor = laid('zone-underbody', { conduit: true, arrangement: 'touching-pair' });
  const points = (yM: number) =>
    [
      [2.1, yM, 0.45],
      [1.9, yM, 0.25],
      [0.6, yM, 0.25],
      [0.3, yM, 0.6],
    ] as const;
  w.route('way-plus', 'Boot to bay, plus, along the tunnel', points(-0.12), floor);
  w.route('way-minus', 'Boot to bay, minus, along the tunnel', points(-0.1), floor);

  const main = 'cable-shielded-50';
  const inBox = 'cable-plain-50';
  const thin = 'cable-plain-4';
  const near = { lengthM: 0.3, laid: laid('zone-bay') };
  w.cable('c-box-plus', 'Boot box plus to main fuse', 'box.plus', 'f-main.a', inBox, {
    lengthM: 0.12,
    laid: laid('zone-boot'),
  });
  w.cable('c-plus', 'Main fuse to main contactor', 'f-main.b', 'k-main.a', main, { routeId: 'way-plus' });
  w.cable('c-pre-tap', 'Precharge tap', 'k-main.a', 'k-pre.a', thin, { lengthM: 0.12, laid: laid('zone-bay') });
  w.cable('c-pre-mid', 'Precharge relay to resistor', 'k-pre.b', 'r-pre.a', thin, {
    lengthM: 0.12,
    laid: laid('zone-bay'),
  });
  w.cable('c-pre-bus', 'Precharge resistor to bus', 'r-pre.b', 'k-main.b', thin, {
    lengthM: 0.12,
    laid: laid('zone-bay'),
  });
  w.cable('c-bus', 'Main contactor to bus plus', 'k-main.b', 'j-plus.n', inBox, near);
  w.cable('c-inv-plus', 'Bus to inverter plus', 'j-plus.n', 'inverter.plus', main, {
    lengthM: 0.5,
    laid: laid('zone-bay'),
  });
  w.cable('c-box-minus', 'Boot box minus to hand switch', 'box.minus', 's-hand.a', inBox, {
    lengthM: 0.15,
    laid: laid('zone-boot'),
  });
  w.cable('c-mid', 'Hand switch to bay box', 's-hand.b', 'box-bay.plus', main, { routeId: 'way-minus' });
  w.cable('c-bay-minus', 'Bay box minus to shunt', 'box-bay.minus', 'shunt.a', inBox, near);
  w.cable('c-shunt', 'Shunt to bus minus', 'shunt.b', 'j-minus.n', inBox, { lengthM: 0.2, laid: laid('zone-bay') });
  w.cable('c-inv-minus', 'Bus to inverter minus', 'j-minus.n', 'inverter.minus', main, {
    lengthM: 0.5,
    laid: laid('zone-bay'),
  });
  const branch = (key: string, name: string, device: string, part: string, lengthM: number, zone: string) => {
    w.cable(`c-${key}-tap`, `Bus to ${name} fuse`, 'j-plus.n', `f-${key}.a`, part, {
      lengthM: 0.15,
      laid: laid('zone-bay'),
    });
    const pair = { lengthM, laid: laid(zone, { arrangement: 'touching-pair' }) };
    w.cable(
      `c-${key}-plus`,
      `${name[0]!.toUpperCase()}${name.slice(1)} plus`,
      `f-${key}.b`,
      `${device}.plus`,
      part,
      pair,
    );
    w.cable(
      `c-${key}-minus`,
      `${name[0]!.toUpperCase()}${name.slice(1)} minus`,
      `${device}.minus`,
      'j-minus.n',
      part,
      pair,
    );
  };
  branch('heater', 'heater', 'heater', 'cable-plain-4', 1.1, 'zone-cabin');
  branch('conv', 'converter', 'converter', 'cable-plain-4', 0.6, 'zone-bay');
  branch('charger', 'charger', 'charger', 'cable-plain-4', 0.7, 'zone-bay');
  w.cable('c-dc-tap', 'Bus to charge plug fuse', 'j-plus.n', 'f-dc.a', 'cable-plain-6', {
    lengthM: 0.15,
    laid: laid('zone-bay'),
  });
  w.cable('c-dc-mid', 'Charge plug fuse to its contactor', 'f-dc.b', 'k-dc.a', 'cable-plain-6', {
    lengthM: 0.15,
    laid: laid('zone-bay'),
  });
  const outside = { lengthM: 4, laid: laid('zone-bay', { arrangement: 'touching-pair' }) };
  w.cable('c-dc-plus', 'Charge plug plus', 'k-dc.b', 'charger-dc.plus', 'cable-plain-6', outside);
  w.cable('c-dc-minus', 'Charge plug minus', 'charger-dc.minus', 'j-minus.n', 'cable-plain-6', outside);

  w.measuredLeakage(10e6);
  w.filters(FILTERS);
  const build = w.build(id, 'Larkspur', {
    notes: 'Sample build, made up. One contactor, and a hand switch between the boxes.',
    schools: {
      contactors: 'single-pole',
      fusePosition: 'pack-terminal',
      emergencyStop: 'mechanical',
      clutch: 'kept',
      brakes: 'unassisted',
      steering: 'none',
      heating: 'air-heater',
      cooling: 'plate',
      ancillaries: 'separate',
      auxiliaryBattery: 'kept',
      bms: 'distributed',
      balance: 'top',
      command: 'motor-controller',
      cableRoute: 'under-floor',
    },
    vehicle: {
      description: 'Small four-seat estate of the 1960s',
      altitudeM: 220,
      wheelbaseM: 2.05,
      massEmptyKg: 780,
      grossMassKg: 1250,
      startingPoint: 'engine-out',
      body: 'estate',
      category: 'M1',
      payloadKg: 230,
      tyre: '5.60-13 76S',
      finalDriveRatio: 4.2,
      gearRatios: [3.6, 2.2, 1.4, 1],
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
      brakes: { state: 'good', note: 'drums all round, new linings' },
      steering: { state: 'good', note: '' },
      suspension: { state: 'good', note: '' },
      'old-wiring': { state: 'good', note: '' },
      rust: { state: 'good', note: 'boot floor renewed' },
      lights: { state: 'good', note: '' },
      leaks: { state: 'good', note: '' },
    },
    oldParts: {
      'old-engine-loom': { id: 'old-engine-loom', name: 'Engine loom', kind: 'loom', fate: 'strip', note: '' },
      'old-light-loom': { id: 'old-light-loom', name: 'Lighting loom', kind: 'loom', fate: 'keep', note: '' },
      'old-clutch': { id: 'old-clutch', name: 'Clutch and its cable', kind: 'part', fate: 'keep', note: '' },
      'old-tank': { id: 'old-tank', name: 'Fuel tank, lines and pump', kind: 'part', fate: 'strip', note: '' },
    },
    supply: { voltageV: 230, phases: 1, breakerA: 16, outlet: 'socket', runM: 18, runMm2: 2.5 },
    bms: {
      overV: 3.65,
      overReleaseV: 3.45,
      underV: 2.6,
      underReleaseV: 2.9,
      chargeFromC: 2,
      chargeToC: 45,
      dischargeToC: 60,
      balanceFromV: 3.42,
      balanceA: 0.5,
      channels: 40,
      senseM: 0.12,
      senseMm2: 0.75,
      kept: false,
      stopsCharger: true,
      throttlesCharger: true,
      curves: {
        chargeByC: [
          [0, 0],
          [5, 40],
          [15, 90],
          [40, 90],
          [45, 0],
        ],
        dischargeByC: [
          [-20, 0],
          [-10, 200],
          [0, 250],
          [50, 250],
          [60, 0],
        ],
        chargeBySoc: [
          [0, 90],
          [0.92, 90],
          [0.98, 20],
          [1, 0],
        ],
      },
      opensCoils: true,
      senseFused: true,
      tapsV: Array.from({ length: 40 }, (_, k) => 3.302 + ((k * 5) % 7) / 1000),
    },
    brakes: { pedalN: 260, discKg: 24, pedalStop: true, pedalTold: true },
    cooling: { plateM2: 0.9 },
    costs: { budget: 8000 },
    inHand: {
      'hand-motor': {
        id: 'hand-motor',
        name: 'Motor',
        made: false,
        state: 'fitted',
        count: 1,
        deviceId: 'motor',
        price: 1150,
        paid: true,
        from: 'a forklift works that closed',
        came: 'speed sensor and half of its plug',
        donorYear: 2011,
        found: { connectors: 'good', corrosion: 'good', insulation: 'good' },
      },
      'hand-inverter': {
        id: 'hand-inverter',
        name: 'Inverter',
        made: false,
        state: 'fitted',
        count: 1,
        deviceId: 'inverter',
        price: 980,
        paid: true,
        from: 'same works',
      },
      'hand-cells': {
        id: 'hand-cells',
        name: 'Cells, with two to spare',
        made: false,
        state: 'fitted',
        count: 42,
        price: 96,
        paid: true,
        from: 'dealer, by the pallet',
      },
      'hand-plate': {
        id: 'hand-plate',
        name: 'Adapter plate and coupler',
        made: true,
        state: 'fitted',
        count: 1,
        price: 620,
        paid: true,
        from: 'machinist in the next village',
      },
      'hand-brushes': {
        id: 'hand-brushes',
        name: 'Fuse links',
        made: false,
        state: 'here',
        count: 2,
        spare: true,
        price: 38,
        paid: true,
      },
      'hand-cover': {
        id: 'hand-cover',
        name: 'Cover of the bay box, clear',
        made: true,
        state: 'trial-fit',
        count: 1,
        price: 45,
      },
    },
    gauges: {
      shows: {
        fuel: 'emulated',
        temperature: 'replaced',
        oil: 'none',
        ammeter: 'replaced',
        tachometer: 'none',
        speedometer: 'kept',
      },
      lowTwelve: true,
      insulationLamp: true,
      lampOnV: 2.95,
      lampOffV: 3.25,
      lampHoldS: 20,
    },
    steering: { ratio: 18, rimM: 0.2, tyrePa: 190000 },
    cabin: {
      lossWPerK: 50,
      freshKgPerS: 0.025,
      recirculated: 0.5,
      heatJPerK: 70000,
      wantedC: 18,
      boxLengthM: 0.26,
      boxWidthM: 0.17,
      boxDepthM: 0.07,
      blowerLocked: true,
      cutOut: true,
      dcSwitch: true,
      airToScreen: true,
    },
    controls: BY_CONTROLLER,
    plan: LARKSPUR_PLAN,
    commission: commissionOf(LARKSPUR_SHEETS),
    logbook: larkspurLogbook(),
    charging: {
      cellV: 3.5,
      cutoffA: 9,
      cutoffAt: 'pack',
      outputA: 12,
      efficiency: 0.92,
      cordA: 10,
      fromSoc: 0.45,
      nightS: 36000,
      isolated: true,
      apart: 'one-bus',
      torqueBlocked: true,
      residual: 'a-6ma',
      seenEnd: 'two-lamps',
      acMm2: 2.5,
      acEarthMm2: 2.5,
      acClassC: 90,
      acBreakerA: 10,
      earthOhm: 0.02,
      acHeld: true,
    },
    chassis: {
      trackM: 1.2,
      widthM: 1.42,
      heightM: 1.4,
      frontOverhangM: 0.55,
      rearOverhangM: 0.8,
      foundKg: 690,
      foundFrontShare: 0.6,
      strippedKg: 505,
      strippedFrontShare: 0.52,
      payloadXM: 1.2,
      frontLimitKg: 600,
      rearLimitKg: 720,
      frontSpringNPerM: 42000,
      rearSpringNPerM: 60000,
      frontClearanceM: 0.08,
      rearClearanceM: 0.12,
      luggageBeforeL: 900,
      luggageNowL: 640,
    },
    losses: {
      'brake-vacuum': 'none',
      'steering-pump': 'none',
      'heater-matrix': 'had',
      'exhaust-heat': 'none',
      'air-conditioning': 'none',
      alternator: 'had',
      gauges: 'dropped',
      tachometer: 'none',
      'fuel-pump': 'none',
      'cruise-control': 'none',
      'park-lock': 'none',
    },
    duty: {
      powersFrom: 'vehicle',
      cruiseSpeedMPerS: 87 / 3.6,
      tripId: 'country',
      dailyDistanceM: 45000,
      coldestDayC: -5,
      hottestDayC: 33,
      cruisePowerW: 11000,
      hardAccelerationPowerW: 20000,
      hardAccelerationS: 15,
    },
    regeneration: { asked: 'lift-off', lampLit: true, torqueShare: 0.3 },
    packLimits: { socEmpty: 0.2, coldestCellC: 3, warmestCellC: 38, agedHealth: 0.8 },
  });
  const routes = { cover: true, overBrakeLine: false, throughPanel: false, shieldEarthed: 'both' } as const;
  const arranged = arrange(
    withLow(withCoils(build, 0.8, 1.5), {
      battery: 'lead-45',
      converterW: 1000,
      converterLengthM: 0.8,
      fusesAtC: 40,
      loads: ['dipped-led', 'tail', 'brake-lamps', 'hazard', 'wipers', 'blower', 'radio', 'control-unit', 'bms'],
    }),
    {
      box: { at: [2.3, 0, 0.5], size: [0.6, 0.8, 0.25] },
      'f-main': { at: [2.1, -0.12, 0.45], inside: 'box' },
      's-hand': { at: [2.1, -0.1, 0.45], inside: 'box' },
      'box-bay': { at: [0.1, 0, 0.7], size: [0.42, 0.6, 0.25], outlet: [0.2, -0.1, -0.1] },
      'k-main': { at: [0.3, -0.12, 0.6] },
      inverter: { at: [-0.1, 0.15, 0.95] },
      motor: { at: [0.2, 0, 0.4] },
      converter: { at: [0.2, 0.2, 0.92] },
      charger: { at: [-0.1, -0.25, 0.95] },
      heater: { at: [0.6, 0.3, 0.7] },
      'coil-battery': { at: [-0.35, 0.35, 0.6] },
    },
    { 'way-plus': routes, 'way-minus': routes },
  );
  const dash = 0.7;
  return larkspurWiring(
    standLow(
      arranged,
      {
        'low-box': [dash, 0.55, 0.6, 'zone-cabin'],
        'low-control-unit-load': [dash, -0.45, 0.6, 'zone-cabin'],
        'low-bms-load': [2, 0.35, 0.5, 'zone-boot'],
        'coil-key': [dash, 0.3, 0.8, 'zone-cabin'],
        'coil-inertia': [dash, -0.55, 0.55, 'zone-cabin'],
        'coil-interlock': [2.1, 0, 0.5, 'zone-boot'],
        'coil-feed': [dash, -0.35, 0.6, 'zone-cabin'],
        'coil-return': [dash, -0.33, 0.55, 'zone-cabin'],
        'coil-earth': [-0.35, 0.25, 0.5, 'zone-bay'],
        'low-dipped-led-load': [-0.42, 0.5, 0.65, 'zone-bay'],
        'low-hazard-load': [-0.4, 0.6, 0.6, 'zone-bay'],
        'low-tail-load': [2.95, 0.55, 0.7, 'zone-boot'],
        'low-brake-lamps-load': [2.95, 0.45, 0.7, 'zone-boot'],
        'low-wipers-load': [0.42, 0.2, 0.9, 'zone-bay'],
        'low-blower-load': [dash, -0.15, 0.75, 'zone-cabin'],
        'low-radio-load': [dash, 0, 0.8, 'zone-cabin'],
      },
      [dash, 0.55, 0.6, 'zone-cabin'],
      [dash, -0.45, 0.6, 'zone-cabin'],
    ),
  );
}
