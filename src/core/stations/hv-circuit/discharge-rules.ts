import { type Finding, marginAtMost, quantityText as q, type Ref } from '../../checks';
import { parallelOhm, timeToVoltage } from '../../physics/discharge';
import { linkDischarges } from '../../simulate';
import { partOf } from '../../vehicle';
import { deviceRef, fromRules, volts } from '../context';
import { defineRule, type Rule } from '../define';

const passive = defineRule({
  id: 'discharge.passive',
  endangers: 'people',
  says: {
    fails: 'The link stays dangerous too long after switching off',
    holds: 'The link discharges by itself',
    line: 'under {safe} after {demand}, {limit} at most',
    open: 'Discharge of the link',
  },
  variants: {
    never: {
      fails: 'The link stays charged after switching off',
      holds: 'The link discharges by itself',
      line: 'nothing bleeds it',
    },
  },
  sources: ['t = R · C · ln(V/V_safe)'],
  sourcesIn: fromRules('classBDcV', 'passiveDischargeS'),
  judge: ({ vehicle, rules, fullV }) => {
    if (fullV === null || fullV <= rules.classBDcV.value) return [];
    const links = linkDischarges(vehicle, fullV, rules.classBDcV.value);
    const main = links.find(({ devices }) => devices.some(({ device }) => device.kind === 'inverter')) ?? links[0];
    return links.flatMap((link): Finding<'safe', 'never'>[] => {
      if (link.energyJ < rules.harmlessJ.value) return [];
      const subject: Ref = link === main ? { kind: 'build', id: 'link', name: 'DC link' } : deviceRef(link.devices[0]!);
      if (link.timeS === null)
        return link.unknown.length > 0
          ? [
              {
                subject,
                missing: link.unknown.map((device) => ({ ref: deviceRef(device), what: 'its bleed resistor' })),
              },
            ]
          : [{ subject, holds: false, variant: 'never' }];
      const { timeS, resistanceOhm, capacitanceF } = link;
      return [
        {
          subject,
          demand: { value: timeS, dimension: 'time' },
          limit: { value: rules.passiveDischargeS.value, dimension: 'time' },
          figures: { safe: volts(rules.classBDcV.value) },
          margin: marginAtMost(timeS, rules.passiveDischargeS.value),
          lines: () => [
            {
              formula: 't = R · C · ln(V_full / V_safe)',
              figures: `${q(resistanceOhm!, 'resistance')} · ${q(capacitanceF, 'capacitance')} · ln(${q(fullV, 'voltage')} / ${q(rules.classBDcV.value, 'voltage')})`,
              result: { value: timeS, dimension: 'time' },
              note: 'All links and bleeds that stay joined. Wait longer than this, then prove dead.',
            },
            {
              formula: 'loss = V² / R while the bus is live',
              figures: `(${q(fullV, 'voltage')})² / ${q(resistanceOhm!, 'resistance')}`,
              result: { value: link.lossW, dimension: 'power' },
            },
          ],
          assumed: [
            'Tolerances of C and R stretch it by up to a third; a device that is unplugged keeps its own charge.',
            ...(link.unknown.length > 0
              ? [`No bleed of its own is known in ${link.unknown.map(({ device }) => device.name).join(', ')}.`]
              : []),
          ],
        },
      ];
    });
  },
  remedies:
    'Fit a bleed resistor across the link and tell it on the inverter, or keep people away for that long: a time delay on the lid and a label.',
});

const active = defineRule({
  id: 'discharge.active',
  endangers: 'people',
  says: {
    fails: '{subject} empties the link too slowly',
    holds: '{subject} empties the link when told',
    line: 'under {safe} after {demand}, {limit} at most',
  },
  sources: ['t = R · C · ln(V/V_safe), R the active one and the bleeds side by side'],
  sourcesIn: fromRules('classBDcV', 'activeDischargeS'),
  judge: ({ vehicle, rules, fullV }) => {
    if (fullV === null || fullV <= rules.classBDcV.value) return [];
    const links = linkDischarges(vehicle, fullV, rules.classBDcV.value);
    return vehicle.devices.flatMap((device): Finding<'safe'>[] => {
      const activeOhm = partOf(device, 'inverter')?.activeDischargeOhm;
      const link = links.find(({ devices }) => devices.includes(device));
      if (activeOhm === undefined || !link) return [];
      const resistanceOhm = parallelOhm(activeOhm, ...(link.resistanceOhm === null ? [] : [link.resistanceOhm]))!;
      const timeS = timeToVoltage(
        { startVoltageV: fullV, capacitanceF: link.capacitanceF, resistanceOhm },
        rules.classBDcV.value,
      );
      if (timeS === null) return [];
      return [
        {
          subject: deviceRef(device),
          demand: { value: timeS, dimension: 'time' },
          limit: { value: rules.activeDischargeS.value, dimension: 'time' },
          figures: { safe: volts(rules.classBDcV.value) },
          margin: marginAtMost(timeS, rules.activeDischargeS.value),
          lines: () => [
            {
              formula: 't = R · C · ln(V_full / V_safe)',
              figures: `${q(resistanceOhm, 'resistance')} · ${q(link.capacitanceF, 'capacitance')} · ln(${q(fullV, 'voltage')} / ${q(rules.classBDcV.value, 'voltage')})`,
              result: { value: timeS, dimension: 'time' },
            },
            {
              formula: 'P = V² / R when it starts, and for as long as a contactor stays closed by a fault',
              figures: `(${q(fullV, 'voltage')})² / ${q(activeOhm, 'resistance')}`,
              result: { value: fullV ** 2 / activeOhm, dimension: 'power' },
              note: 'It must survive that, or give up in time: its maker says.',
            },
          ],
          assumed: ['A permanent-magnet motor that turns keeps the link alive: stand still first.'],
        },
      ];
    });
  },
  remedies: 'A discharge circuit with less resistance; its power is asked again then.',
});

export const DISCHARGE_RULES: readonly Rule[] = [passive, active];
