import { expect, test } from 'vitest';
import { portOf } from './bus';

test.each([
  ['CAN H', 'CAN'],
  ['CAN1 L', 'CAN1'],
  ['CANH', 'CAN'],
  ['can_low', 'CAN'],
  ['C2H', 'C2'],
  ['High', ''],
  ['H', ''],
  ['signal', 'SIGNAL'],
  ['terminal', 'TERMINAL'],
  ['wake', 'WAKE'],
])('a pin called %s is of port “%s”', (pin, port) => {
  expect(portOf(pin)).toBe(port);
});
