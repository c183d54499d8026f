import type { Edit } from '../build';
import { catalogueOf } from '../parts';
import { packStrings, partOf } from '../vehicle';
import { insertionEdit } from './insertion';
import { deviceOf, type Proposer } from './proposer';

export const otherContactor: Proposer = (setting, check) => {
  const contactor = partOf(deviceOf(setting, check), 'contactor');
  if (!contactor) return [];
  return catalogueOf('contactor')
    .filter(
      (part) =>
        part.id !== contactor.id &&
        part.makeCurrentA >= contactor.makeCurrentA &&
        part.ratedVoltageV >= (setting.fullV ?? 0),
    )
    .map((part): Edit => ({ edit: 'fitPart', input: { deviceId: check.subject.id, part } }));
};

export const closeLater: Proposer = (setting) =>
  [0.95, 0.96, 0.97, 0.98, 0.99]
    .filter((value) => value > setting.vehicle.build.precharge.closeAtFraction)
    .map((value): Edit => ({ edit: 'setFigure', input: { figure: 'closeAt', value } }));

export const otherDisconnect: Proposer = (setting, check) =>
  catalogueOf('disconnect')
    .filter((part) => part.ratedVoltageV >= (setting.fullV ?? 0))
    .map((part): Edit => ({ edit: 'fitPart', input: { deviceId: check.subject.id, part } }));

/** A contactor of its own in a wire of the string. */
export const ownContactor: Proposer = (setting, check) => {
  const string = packStrings(setting.vehicle).find(({ boxIds }) => boxIds.includes(check.subject.id));
  const wire = setting.vehicle.conductors.find(
    ({ id, conductor }) => string?.ids.has(id) && conductor.kind === 'cable',
  );
  return wire ? [insertionEdit(setting, wire.id, 'contactor', `own-${check.subject.id}`)] : [];
};

export const ownFuse: Proposer = (setting, check) => {
  const string = packStrings(setting.vehicle).find(({ boxIds }) => boxIds.includes(check.subject.id));
  const wire = setting.vehicle.conductors.find(
    ({ id, conductor }) =>
      string?.ids.has(id) &&
      conductor.kind === 'cable' &&
      [conductor.a, conductor.b].some(({ deviceId }) => string.boxIds.includes(deviceId)),
  );
  return wire ? [insertionEdit(setting, wire.id, 'fuse', `own-${check.subject.id}`)] : [];
};
