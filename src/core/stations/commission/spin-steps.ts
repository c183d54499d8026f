import type { Context } from '../context';
import { look, type Step, stepId } from './step';

export function spinSteps({ vehicle }: Context): readonly Step[] {
  const motors = vehicle.devices.filter(({ device }) => device.kind === 'motor');
  if (motors.length === 0) return [];
  const sheet = 'spin' as const;
  const free = 'wheels free on rated stands, torque limit low, nobody near wheels and shafts';
  return [
    look({
      id: stepId('stands'),
      sheet,
      name: 'Driven wheels free, car on rated stands, chocked',
      where: 'under the car',
      switches: 'key off',
      ifNot: 'Do not go on.',
      two: true,
    }),
    ...motors.flatMap(({ id, device }): Step[] => [
      look({
        id: stepId('direction', id),
        sheet,
        name: `${device.name} turns the way of the lever`,
        where: 'at the wheels, forward then reverse',
        switches: free,
        ifNot: 'Two phases or the encoder’s direction are swapped: swap one of them, not both.',
        two: true,
        subjectId: id,
        caution: 'It can start at full torque when the encoder is wrong: thumb on the emergency stop.',
      }),
      look({
        id: stepId('smooth', id),
        sheet,
        name: `${device.name} runs smooth and stops when let go`,
        where: 'ear, hand on the mount',
        switches: free,
        ifNot: 'Rough: phase order, encoder offset. Runs on: pedal track or settings.',
        two: true,
        subjectId: id,
      }),
    ]),
    look({
      id: stepId('plugged'),
      sheet,
      name: 'With the charge plug in, no torque whatever is pressed',
      where: 'wheels free; then the proximity wire pulled off: still none',
      switches: free,
      ifNot: 'It could drive away plugged in: the block has to work without software too.',
      two: true,
    }),
    look({
      id: stepId('stop-turning'),
      sheet,
      name: 'Emergency stop takes the torque away while it turns',
      where: 'pressed at low speed',
      switches: free,
      ifNot: 'Do not drive.',
      two: true,
    }),
  ];
}
