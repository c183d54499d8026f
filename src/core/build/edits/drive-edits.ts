import type { InverterPart, MotorPart } from '../../parts';
import { PHASES } from '../devices';
import { type Conductor, findDevice } from '../types';
import { define } from './definition';
import { addPart, deviceToEdit, refuseMissingPart, refuseUsedId } from './helpers';
import { EditRefused } from './refused';
import { type BranchInput, hangOnBus } from './topology-edits';

export interface MotorInput extends Omit<BranchInput, 'part'> {
  readonly part: InverterPart;
  readonly motor: MotorPart;
  readonly motorName: string;
  /** Between inverter and motor, one a phase. */
  readonly motorCable: BranchInput['cable'];
  readonly motorCableM: number;
}

/** Several motors and inverters. */
export const DRIVE_EDITS = {
  /** Share of the torque and turns of one of several motors; null: as strong as it is, and turning with the gearbox’s input. */
  setDriveShare: define<{ deviceId: string; torqueShare?: number | null; gearing?: number | null }>({
    title: (build, { deviceId }) => `share of ${findDevice(build, deviceId)?.name ?? 'a motor'}`,
    apply: (draft, { deviceId, torqueShare, gearing }) => {
      const motor = deviceToEdit(draft, deviceId);
      if (motor.kind !== 'motor') throw new EditRefused('Only a motor has a share of the torque.', 'Choose a motor.');
      if (torqueShare != null && !(torqueShare > 0 && torqueShare <= 1))
        throw new EditRefused('A share of the torque is above 0 and at most 100 %.', 'Type a share such as 40 %.');
      if (gearing != null && !(gearing >= 0.02 && gearing <= 50))
        throw new EditRefused(
          'Turns for one turn of the gearbox are between 0.02 and 50.',
          'Type a ratio such as 1.5.',
        );
      if (torqueShare === null) delete motor.torqueShare;
      else if (torqueShare !== undefined) motor.torqueShare = torqueShare;
      if (gearing === null) delete motor.gearing;
      else if (gearing !== undefined) motor.gearing = gearing;
    },
  }),

  /** One more inverter on the bus, with a fuse of its own at the tap, and a motor on its phases. */
  addMotor: define<MotorInput>({
    title: (_, { motorName }) => `put ${motorName} and its inverter on the bus`,
    apply: (draft, { motor, motorName, motorCable, motorCableM, ...branch }) => {
      if (branch.device.kind !== 'inverter')
        throw new EditRefused('A motor is fed by an inverter.', 'Choose an inverter.');
      if (!(motorCableM > 0 && motorCableM <= 100))
        throw new EditRefused('Motor cables are above 0 and at most 100 m long.', 'Type the length of one.');
      const { seed } = branch;
      const inverterId = hangOnBus(draft, branch);
      addPart(draft, motor);
      addPart(draft, motorCable);
      refuseMissingPart(draft, motor.id);
      const motorId = `${seed}-motor`;
      refuseUsedId(draft, motorId);
      const { hv } = draft.circuits;
      hv.devices[motorId] = { id: motorId, kind: 'motor', name: motorName, partId: motor.id, place: null };
      const laid = hv.conductors[`${seed}-plus`]?.laid ?? null;
      for (const phase of PHASES) {
        const id = `${seed}-${phase}`;
        refuseUsedId(draft, id);
        hv.conductors[id] = {
          id,
          name: `${motorName} ${phase.toUpperCase()}`.slice(0, 120),
          kind: 'cable',
          a: { deviceId: inverterId, terminal: phase },
          b: { deviceId: motorId, terminal: phase },
          partId: motorCable.id,
          parallel: 1,
          routeId: null,
          lengthM: motorCableM,
          laid,
          jointResistanceOhm: null,
        } satisfies Conductor;
      }
    },
  }),
};
