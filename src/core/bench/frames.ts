import { MODES } from '../simulate/sequence';
import type { Board } from './board';

/** Ropeway’s own messages of a control unit and an inverter, for a bench and for whoever listens. */
const CONTROL_ID = 0x3c0;
const INVERTER_ID = 0x3c1;

/** The messages as a CAN database file. */
export function boardDatabase(): string {
  const signal = (name: string, from: number, bits: number, sign: '+' | '-', scale: number, unit: string) =>
    ` SG_ ${name} : ${from}|${bits}@1${sign} (${scale},0) [0|0] "${unit}" Bench`;
  return `${[
    'VERSION "1"',
    'BU_: Control Inverter Bench',
    `BO_ ${CONTROL_ID} Sequence: 8 Control`,
    signal('Mode', 0, 8, '+', 1, ''),
    signal('Contactors', 8, 8, '+', 1, ''),
    signal('Pedal', 16, 8, '+', 0.5, '%'),
    signal('Supply', 24, 16, '+', 0.01, 'V'),
    `BO_ ${INVERTER_ID} Link: 8 Inverter`,
    signal('LinkVoltage', 0, 16, '+', 0.1, 'V'),
    signal('LinkCurrent', 16, 16, '-', 0.1, 'A'),
    signal('Torque', 32, 8, '+', 1, ''),
    signal('Speed', 40, 16, '-', 0.01, 'm/s'),
    `VAL_ ${CONTROL_ID} Mode ${MODES.map((mode, k) => `${k} "${mode}"`).join(' ')} ;`,
  ].join('\n')}\n`;
}

const bytes = (value: number, count: number): number[] => {
  const whole = Math.round(value) >>> 0;
  return Array.from({ length: count }, (_, k) => (whole >>> (8 * k)) & 0xff);
};
const hex = (data: readonly number[]): string =>
  data.map((byte) => byte.toString(16).toUpperCase().padStart(2, '0')).join('');

/** What control unit and inverter say at this moment, as lines of text: "(time) can0 id#data". Asleep they say nothing. */
export function boardFrames(board: Board): readonly string[] {
  if (!board.is('key') || board.fault?.canShort || board.fault?.sequence === 'messages-lost') return [];
  const view = board.view();
  const at = `(${view.timeS.toFixed(6)}) can0 `;
  const contactors = board.contactorBits();
  return [
    `${at}${CONTROL_ID.toString(16).toUpperCase()}#${hex([MODES.indexOf(view.mode), contactors, ...bytes(board.pedal * 200, 1), ...bytes(view.supplyV * 100, 2), 0, 0, 0])}`,
    `${at}${INVERTER_ID.toString(16).toUpperCase()}#${hex([...bytes(view.linkV * 10, 2), ...bytes(view.currentA * 10, 2), ...bytes(view.torque, 1), ...bytes(view.speedMPerS * 100, 2), 0])}`,
  ];
}
