import { describe, expect, test } from 'vitest';
import { firn9 } from '../build/samples';
import { MAIN, MINUS } from '../simulate/sequence';
import { type CoilPoint, coilLimits, vehicleOf } from '../vehicle';
import { Contacts } from './contacts';

const contactors = vehicleOf(firn9()).devices.filter(({ device }) => device.kind === 'contactor');
const [plus, minus] = ['k-plus', 'k-minus'].map((id) => contactors.find((one) => one.id === id)!);
const at = (...volts: [string, number][]): CoilPoint => ({ coilV: new Map(volts) }) as unknown as CoilPoint;
const fresh = () =>
  new Contacts(
    contactors,
    new Map([
      ['k-plus', MAIN],
      ['k-minus', MINUS],
    ]),
  );
const limits = coilLimits(plus!);

describe('contacts of the board', () => {
  test('a contact closes 20 ms after its coil has its pick-up voltage, and no sooner', () => {
    const contacts = fresh();
    const coils = at(['k-plus', limits.pickUpV]);
    contacts.move(1, coils);
    contacts.move(1.015, coils);
    expect([...contacts.closed]).toEqual([]);
    contacts.move(1.0201, coils);
    expect([...contacts.closed]).toEqual(['k-plus']);
  });

  test('under its pick-up voltage it stays open for good; closed, it holds down to its holding voltage', () => {
    const contacts = fresh();
    expect(limits.holdV).toBeLessThan(limits.pickUpV);
    for (const s of [0, 1, 2]) contacts.move(s, at(['k-plus', limits.pickUpV - 0.01]));
    expect(contacts.closed.size).toBe(0);
    for (const s of [3, 4]) contacts.move(s, at(['k-plus', limits.pickUpV]));
    for (const s of [5, 6]) contacts.move(s, at(['k-plus', limits.holdV]));
    expect([...contacts.closed]).toEqual(['k-plus']);
    for (const s of [7, 8]) contacts.move(s, at(['k-plus', limits.holdV - 0.01]));
    expect(contacts.closed.size).toBe(0);
  });

  test('a dip shorter than a contact takes to move is forgotten', () => {
    const contacts = fresh();
    for (const s of [0, 1]) contacts.move(s, at(['k-plus', 12]));
    contacts.move(2, at());
    contacts.move(2.01, at(['k-plus', 12]));
    contacts.move(2.03, at());
    contacts.move(2.045, at());
    expect([...contacts.closed]).toEqual(['k-plus']);
    contacts.move(2.051, at());
    expect(contacts.closed.size).toBe(0);
  });

  test('what has welded conducts, by name or by its sort, whatever its coil says', () => {
    const contacts = fresh();
    contacts.move(0, null);
    expect([...contacts.conducting({ id: 'f', welded: [minus!.id] })]).toEqual(['k-minus']);
    expect(contacts.bits({ id: 'f', weldSort: MAIN })).toBe(MAIN);
    expect(contacts.bits(null)).toBe(0);
    expect(contacts.closed.size).toBe(0);
  });

  test('the sequence asks by sort', () => {
    expect([...fresh().ofSorts(MINUS)]).toEqual(['k-minus']);
    expect([...fresh().ofSorts(MINUS | MAIN)].sort()).toEqual(['k-minus', 'k-plus']);
    expect([...fresh().ofSorts(0)]).toEqual([]);
  });
});
