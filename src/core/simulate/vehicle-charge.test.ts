import { describe, expect, test } from 'vitest';
import { applyEdit, type Build, type Edit } from '../build';
import { firn9, larkspur, teasel } from '../build/samples';
import { vehicleOf } from '../vehicle';
import { chargeChain, chargesElsewhere, drawnFrom, type VehicleCharge, vehicleCharge } from './vehicle-charge';

const edited = (build: Build, ...edits: Edit[]) => edits.reduce((one, edit) => applyEdit(one, edit).build, build);
const figure = (name: string, value: number): Edit => ({ edit: 'setFigure', input: { figure: name, value } }) as Edit;
const charged = (build: Build): VehicleCharge => {
  const found = vehicleCharge(vehicleOf(build));
  if (!('run' in found)) throw new Error(found.missing.join());
  return found;
};

describe('one charge of a vehicle', () => {
  test('energy is what goes in: charge times voltage, and the losses that are told', () => {
    for (const build of [firn9(), larkspur(), teasel()]) {
      const { run, capacityAh, fromSoc, acW } = charged(build);
      const intoPackAh = (run.last.soc - fromSoc) * capacityAh;
      // The mean of all voltages of the curve lies between its ends.
      const volts = run.curve.map(({ busV }) => busV);
      const terminalJ = run.last.acJ * (build.charging!.efficiency ?? 1);
      expect(terminalJ).toBeGreaterThan(intoPackAh * 3600 * Math.min(...volts));
      expect(terminalJ).toBeLessThan(intoPackAh * 3600 * Math.max(...volts));
      // At constant power time is energy over power; the taper can only add to it.
      expect(run.last.timeS).toBeGreaterThanOrEqual((run.last.acJ / acW) * (1 - 1e-9));
      expect(run.last.timeS).toBeLessThan((run.last.acJ / acW) * 1.3);
    }
  });

  test('a wall unit holds the charge down to its circuit and its cable, a plain socket does not', () => {
    const wall = edited(firn9(), figure('cordCurrent', 10));
    expect(drawnFrom(chargeChain(vehicleOf(wall)))).toMatchObject({ acW: 2300, binds: { id: 'cord' } });
    const socket = edited(wall, { edit: 'setSupply', input: { outlet: 'socket' } });
    expect(drawnFrom(chargeChain(vehicleOf(socket)))!.binds.id).toBe('charger');
  });

  test('electronics that holds the charger down at the end takes nothing off what the socket has to carry before', () => {
    const small = (build: Build): Build => ({
      ...build,
      parts: Object.fromEntries(
        Object.entries(build.parts).map(([id, part]) => [id, part.kind === 'cell' ? { ...part, maxChargeA: 5 } : part]),
      ),
    });
    const held = small({ ...larkspur(), bms: { ...larkspur().bms, throttlesCharger: true } });
    // 1.4 kW into the pack at 92 %, whatever the cells should get.
    expect(drawnFrom(chargeChain(vehicleOf(held)))!.acW).toBeCloseTo(1400 / 0.92, 6);
  });

  test('an owner’s limit holds it down at any outlet', () => {
    const held = edited(firn9(), { edit: 'setSupply', input: { outlet: 'socket' } }, figure('chargeLimit', 8));
    expect(drawnFrom(chargeChain(vehicleOf(held)))).toMatchObject({ acW: 8 * 230, binds: { id: 'own-limit' } });
  });

  test('without a charge voltage, cells or a charger nothing is worked out, and what is missing is named', () => {
    const { charging: _, ...untold } = firn9();
    expect(vehicleCharge(vehicleOf(untold as Build))).toEqual({
      missing: ['the voltage that each cell is charged to'],
    });
    const { charger: __, ...devices } = firn9().circuits.hv.devices;
    const none = {
      ...firn9(),
      circuits: { ...firn9().circuits, hv: { ...firn9().circuits.hv, devices, conductors: {} } },
    };
    expect(vehicleCharge(vehicleOf(none))).toMatchObject({ missing: expect.arrayContaining(['a charger']) });
  });

  test('elsewhere more is never slower, and none draws more than its own supply gives', () => {
    const rows = chargesElsewhere(vehicleOf(firn9()));
    expect(rows.length).toBe(5);
    const given = [120 * 12, 2300, 230 * 16, 240 * 32, 3 * 230 * 16];
    rows.forEach(({ acW }, k) => {
      expect(acW).toBeLessThanOrEqual(given[k]! + 1e-9);
    });
    for (const p of rows) for (const q of rows) if (p.acW > q.acW) expect(p.endS!).toBeLessThan(q.endS!);
  });
});
