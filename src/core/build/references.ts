import { deviceDefinition } from './devices';
import { WHOLE } from './measurable';
import type { Problem } from './problem';
import {
  type Build,
  type Circuit,
  type CircuitName,
  COMMISSION_LISTS,
  circuitOfTerminal,
  type Device,
  findConductor,
  findDevice,
  HARNESS_LISTS,
  LOGBOOK_LISTS,
  own,
  PLAN_LISTS,
} from './types';

const MISSING = 'Add what it names, or correct the id.';

function checkDevice(build: Build, device: Device, path: string): Problem[] {
  const problems: Problem[] = [];
  if (device.partId !== null) {
    const part = own(build.parts, device.partId);
    const wanted = deviceDefinition(device.kind).part;
    if (!part)
      problems.push({
        path: `${path}.partId`,
        reason: `names "${device.partId}", which is not among the parts.`,
        remedy: MISSING,
      });
    else if (part.kind !== wanted)
      problems.push({
        path: `${path}.partId`,
        reason: `is a ${part.kind} part on a ${device.kind}.`,
        remedy: wanted === null ? 'This kind of device takes no part.' : `Name a ${wanted} part.`,
      });
  }
  if (device.insideId !== undefined && findDevice(build, device.insideId)?.kind !== 'box')
    problems.push({
      path: `${path}.insideId`,
      reason: `names "${device.insideId}", which is no box.`,
      remedy: MISSING,
    });
  if (device.place && !own(build.zones, device.place.zoneId))
    problems.push({
      path: `${path}.place.zoneId`,
      reason: `names "${device.place.zoneId}", which is no zone.`,
      remedy: MISSING,
    });
  return problems;
}

function checkCircuit(build: Build, circuit: Circuit, name: CircuitName): Problem[] {
  const problems: Problem[] = [];
  const at = `circuits.${name}`;
  for (const [id, device] of Object.entries(circuit.devices)) {
    if (device.id !== id)
      problems.push({
        path: `${at}.devices.${id}.id`,
        reason: 'differs from its key.',
        remedy: 'Make the two the same.',
      });
    problems.push(...checkDevice(build, device, `${at}.devices.${id}`));
  }
  for (const [id, conductor] of Object.entries(circuit.conductors)) {
    const path = `${at}.conductors.${id}`;
    if (conductor.id !== id)
      problems.push({ path: `${path}.id`, reason: 'differs from its key.', remedy: 'Make the two the same.' });
    for (const side of ['a', 'b'] as const) {
      const { deviceId, terminal } = conductor[side];
      const device = findDevice(build, deviceId);
      if (!device)
        problems.push({
          path: `${path}.${side}.deviceId`,
          reason: `names "${deviceId}", which is no device.`,
          remedy: MISSING,
        });
      else if (circuitOfTerminal(device.kind, terminal) !== name)
        problems.push({
          path: `${path}.${side}.terminal`,
          reason: `"${terminal}" is no ${name === 'hv' ? 'high-voltage' : '12-volt'} terminal of a ${device.kind}.`,
          remedy: 'Name one of its terminals.',
        });
    }
    if (conductor.a.deviceId === conductor.b.deviceId && conductor.a.terminal === conductor.b.terminal)
      problems.push({ path, reason: 'has both ends on one terminal.', remedy: 'Connect two different terminals.' });
    if (conductor.partId !== null && own(build.parts, conductor.partId)?.kind !== 'cable')
      problems.push({
        path: `${path}.partId`,
        reason: `names "${conductor.partId}", which is no cable part.`,
        remedy: MISSING,
      });
    if (conductor.routeId !== null && !own(build.routes, conductor.routeId))
      problems.push({
        path: `${path}.routeId`,
        reason: `names "${conductor.routeId}", which is no route.`,
        remedy: MISSING,
      });
    if (conductor.laid && !own(build.zones, conductor.laid.zoneId))
      problems.push({
        path: `${path}.laid.zoneId`,
        reason: `names "${conductor.laid.zoneId}", which is no zone.`,
        remedy: MISSING,
      });
  }
  return problems;
}

/** References that lead nowhere, keys that differ from ids, ids used twice. */
export function checkReferences(build: Build): Problem[] {
  const problems = [...checkCircuit(build, build.circuits.hv, 'hv'), ...checkCircuit(build, build.circuits.lv, 'lv')];
  for (const list of [
    'parts',
    'zones',
    'routes',
    'readings',
    'adoptions',
    'modules',
    'oldParts',
    'inHand',
    'oldFaults',
    'passages',
  ] as const) {
    for (const [id, entry] of Object.entries(build[list] ?? {}))
      if (entry.id !== id)
        problems.push({ path: `${list}.${id}.id`, reason: 'differs from its key.', remedy: 'Make the two the same.' });
  }
  const { controls, settings, harness, plan, commission, logbook } = build;
  for (const [path, list] of [
    ['controls.properties', controls?.properties],
    ['controls.timelines', controls?.timelines],
    ['settings.sheets', settings?.sheets],
    ['settings.entries', settings?.entries],
    ...HARNESS_LISTS.map((list) => [`harness.${list}`, harness?.[list]] as const),
    ['harness.issue.wires', harness?.issue?.wires],
    ...PLAN_LISTS.map((list) => [`plan.${list}`, plan?.[list]] as const),
    ...COMMISSION_LISTS.map((list) => [`commission.${list}`, commission?.[list]] as const),
    ...LOGBOOK_LISTS.map((list) => [`logbook.${list}`, logbook?.[list]] as const),
  ] as const)
    for (const [id, entry] of Object.entries<{ readonly id: string }>(list ?? {}))
      if (entry.id !== id)
        problems.push({ path: `${path}.${id}.id`, reason: 'differs from its key.', remedy: 'Make the two the same.' });
  for (const [path, list] of [
    ['settings.sheets', settings?.sheets],
    ['settings.entries', settings?.entries],
  ] as const)
    for (const [id, entry] of Object.entries<{ readonly deviceId: string }>(list ?? {}))
      if (!findDevice(build, entry.deviceId))
        problems.push({
          path: `${path}.${id}.deviceId`,
          reason: `names "${entry.deviceId}", which is no device.`,
          remedy: MISSING,
        });
  for (const route of Object.values(build.routes))
    if (!own(build.zones, route.laid.zoneId))
      problems.push({
        path: `routes.${route.id}.laid.zoneId`,
        reason: `names "${route.laid.zoneId}", which is no zone.`,
        remedy: MISSING,
      });
  for (const passage of Object.values(build.passages ?? {}))
    for (const zoneId of passage.zoneIds)
      if (!own(build.zones, zoneId))
        problems.push({
          path: `passages.${passage.id}.zoneIds`,
          reason: `names "${zoneId}", which is no zone.`,
          remedy: MISSING,
        });
  for (const id of Object.keys(build.circuits.lv.devices))
    if (own(build.circuits.hv.devices, id))
      problems.push({
        path: `circuits.lv.devices.${id}`,
        reason: 'the id is used in both circuits.',
        remedy: 'Give each device its own id.',
      });
  const ids = new Set([...Object.keys(build.circuits.hv.devices), ...Object.keys(build.circuits.lv.devices)]);
  for (const name of ['hv', 'lv'] as const) {
    for (const id of Object.keys(build.circuits[name].conductors)) {
      if (ids.has(id))
        problems.push({
          path: `circuits.${name}.conductors.${id}`,
          reason: 'the id is used twice.',
          remedy: 'Give each device and conductor its own id.',
        });
      ids.add(id);
    }
  }
  for (const reading of Object.values(build.readings)) {
    if (
      reading.subjectId !== WHOLE &&
      !findDevice(build, reading.subjectId) &&
      !findConductor(build, reading.subjectId)
    )
      problems.push({
        path: `readings.${reading.id}.subjectId`,
        reason: `names "${reading.subjectId}", which is nothing here.`,
        remedy: MISSING,
      });
  }
  for (const adoption of Object.values(build.adoptions)) {
    if (!own(build.readings, adoption.readingId))
      problems.push({
        path: `adoptions.${adoption.id}.readingId`,
        reason: `names "${adoption.readingId}", which is no reading.`,
        remedy: MISSING,
      });
  }
  return problems;
}
