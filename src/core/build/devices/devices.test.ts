import { expect, test } from 'vitest';
import { firn9, larkspur, teasel } from '../samples';
import { device } from '../schema/circuit-schema';
import { DEVICE_KINDS, deviceDefinition } from './index';

/** What every device may have (docs/build-file.md). */
const ANY = ['id', 'kind', 'name', 'partId', 'place', 'insulationOhm', 'yCapacitanceF', 'insideId', 'sizeM', 'outlet'];
const OF_ANY = new Set([...ANY, 'massKg', 'ingress']);
const has = (kind: (typeof DEVICE_KINDS)[number]) => deviceDefinition(kind).has ?? [];

test('the file’s schema knows what the kinds have, each by the name that they give it, and nothing else', () => {
  const kinds = DEVICE_KINDS.flatMap(has);
  expect(Object.keys(device.describe().keys).sort()).toEqual([...new Set([...OF_ANY, ...kinds])].sort());
});

test('no device of a sample has what only other kinds have', () => {
  for (const { circuits } of [firn9(), larkspur(), teasel()])
    for (const one of [...Object.values(circuits.hv.devices), ...Object.values(circuits.lv.devices)])
      for (const [name, value] of Object.entries(one))
        if (value !== undefined)
          expect(OF_ANY.has(name) || has(one.kind).includes(name), `${one.name}, ${one.kind}: ${name}`).toBe(true);
});

test('whatever is judged by a power in a state has one to be told, and the converters have their 12-volt side', () => {
  for (const kind of DEVICE_KINDS) {
    const { traits, stands } = deviceDefinition(kind);
    expect(has(kind).includes('powersW'), kind).toBe(stands === 'load');
    expect(has(kind).includes('converter'), kind).toBe(traits.includes('feeds-12-v'));
  }
});
