import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import { FIN_M, jointHeatW, SHED_BY_FACES_W, shedByCableW } from '../../physics/joint';
import { told } from '../../quantities';
import { conductorAmpacity, lowVoltage, perMetre20 } from '../../vehicle';
import { conductorRef, watts } from '../context';
import { defineRule } from '../define';
import { FACES_SHED, shedLine } from '../joint-heat';
import { essentialOnBattery, steadyPoint } from './solutions';

/** A joint that was measured: the drop across it may be small enough for the load, and its heat too much for the joint. */
export const joint = defineRule({
  id: 'lv.joint',
  endangers: 'fire',
  says: {
    fails: 'A joint of {subject} heats more than it can shed',
    holds: 'Joints of {subject}',
    line: '{demand} a joint, {limit} at most',
  },
  sources: [
    `P = I² · R of one joint with everything running, or with what is essential on the battery alone, against what ${told(FIN_M, 'length')} of its wire still sheds (generic)`,
    FACES_SHED,
  ],
  judge: ({ vehicle }) => {
    const one = steadyPoint(vehicle);
    const { lv } = lowVoltage(vehicle);
    if (!one) return [];
    const dead = essentialOnBattery(vehicle);
    const points = dead.solved ? [one, dead] : [one];
    const isEarth = (id: string) => lv.deviceOf.get(id)?.device.kind === 'earth';
    return lv.conductors.flatMap((conductor): Finding[] => {
      const { a, b, kind, jointResistanceOhm: measured, parallel } = conductor.conductor;
      // The way through the body has a check of its own.
      if (measured === null || (isEarth(a.deviceId) && isEarth(b.deviceId))) return [];
      const currentA = Math.max(...points.map((point) => Math.abs(point.currentA(conductor.id))));
      if (currentA < 0.5) return [];
      const subject = conductorRef(conductor);
      const mostA = conductorAmpacity(conductor);
      const ohmPerM = perMetre20(conductor);
      const ofCable = kind === 'cable';
      if (ofCable && (mostA === null || ohmPerM === null))
        return [{ subject, missing: conductor.missing.map((what) => ({ ref: subject, what })) }];
      const heatW = jointHeatW(currentA, measured, ofCable ? 2 : 1);
      const shedW = ofCable ? shedByCableW(mostA!, currentA, ohmPerM! / parallel) : SHED_BY_FACES_W;
      return [
        {
          subject,
          demand: watts(heatW),
          limit: watts(shedW),
          margin: marginAtMost(heatW, shedW),
          lines: () => [
            {
              formula: ofCable ? 'P = I² · R_joints / 2' : 'P = I² · R',
              figures: `(${q(currentA, 'current')})² · ${q(measured, 'resistance')}${ofCable ? ' / 2' : ''}`,
              result: watts(heatW),
            },
            ...(ofCable ? [shedLine(mostA!, currentA, ohmPerM! / parallel)] : []),
          ],
        },
      ];
    });
  },
  remedies: 'Clean, crimp or tighten it anew, and measure the drop across it with the load on.',
});
