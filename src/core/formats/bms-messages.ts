/** Ropeway’s own messages of a battery management, for a bench and for whoever listens: as a CAN database, and spoken as frames. */

/** First identifiers: pack, limits, then four cells in each message. */
const PACK_ID = 0x3a0;
const LIMITS_ID = 0x3a1;
const CELLS_ID = 0x3b0;
const PER_MESSAGE = 4;

const SCALES = { pack: 0.1, limit: 0.1, soc: 0.5, cell: 0.0001, temperature: 1 } as const;
const TEMPERATURE_OFFSET = -40;

/** The messages as a CAN database file, for a row of so many cells. */
export function bmsDatabase(cells: number): string {
  const signal = (
    name: string,
    from: number,
    bits: number,
    sign: '+' | '-',
    scale: number,
    offset: number,
    unit: string,
  ) => ` SG_ ${name} : ${from}|${bits}@1${sign} (${scale},${offset}) [0|0] "${unit}" Bench`;
  const lines = [
    'VERSION "1"',
    'BU_: Bms Bench',
    `BO_ ${PACK_ID} Pack: 8 Bms`,
    signal('PackVoltage', 0, 16, '+', SCALES.pack, 0, 'V'),
    signal('PackCurrent', 16, 16, '-', SCALES.pack, 0, 'A'),
    signal('StateOfCharge', 32, 8, '+', SCALES.soc, 0, '%'),
    signal('Temperature1', 40, 8, '+', SCALES.temperature, TEMPERATURE_OFFSET, '°C'),
    signal('ChargeStop', 48, 1, '+', 1, 0, ''),
    signal('DriveStop', 49, 1, '+', 1, 0, ''),
    `BO_ ${LIMITS_ID} Limits: 4 Bms`,
    signal('DischargeLimit', 0, 16, '+', SCALES.limit, 0, 'A'),
    signal('ChargeLimit', 16, 16, '+', SCALES.limit, 0, 'A'),
  ];
  for (let first = 0; first < cells; first += PER_MESSAGE) {
    lines.push(`BO_ ${CELLS_ID + first / PER_MESSAGE} Cells${first + 1}: 8 Bms`);
    for (let k = first; k < Math.min(cells, first + PER_MESSAGE); k++)
      lines.push(signal(`Cell${k + 1}`, 16 * (k - first), 16, '+', SCALES.cell, 0, 'V'));
  }
  return `${lines.join('\n')}\n`;
}

/** What a battery management says at one moment. */
export interface BmsMoment {
  readonly timeS: number;
  readonly cellsV: readonly number[];
  /** Out of the pack, A. */
  readonly currentA: number;
  readonly soc: number;
  readonly temperatureC: number;
  readonly dischargeLimitA: number;
  readonly chargeLimitA: number;
  readonly chargeStop: boolean;
  readonly driveStop: boolean;
}

const hex = (bytes: readonly number[]): string =>
  bytes.map((byte) => (byte & 0xff).toString(16).toUpperCase().padStart(2, '0')).join('');
/** Two bytes, low one first, held to what they hold. */
const two = (value: number, scale: number, signed = false): [number, number] => {
  const raw = Math.round(value / scale);
  const kept = signed ? Math.max(-32768, Math.min(32767, raw)) : Math.max(0, Math.min(65535, raw));
  return [kept & 0xff, (kept >> 8) & 0xff];
};
const one = (value: number): number => Math.max(0, Math.min(255, Math.round(value)));

/** The frames of one moment as lines of text, "(time) can0 id#data". */
export function bmsFrames(moment: BmsMoment): readonly string[] {
  const line = (id: number, bytes: readonly number[]) =>
    `(${moment.timeS.toFixed(6)}) can0 ${id.toString(16).toUpperCase()}#${hex(bytes)}`;
  const packV = moment.cellsV.reduce((sum, v) => sum + v, 0);
  const flags = (moment.chargeStop ? 1 : 0) + (moment.driveStop ? 2 : 0);
  const lines = [
    line(PACK_ID, [
      ...two(packV, SCALES.pack),
      ...two(moment.currentA, SCALES.pack, true),
      one((100 * moment.soc) / SCALES.soc),
      one(moment.temperatureC - TEMPERATURE_OFFSET),
      flags,
      0,
    ]),
    line(LIMITS_ID, [...two(moment.dischargeLimitA, SCALES.limit), ...two(moment.chargeLimitA, SCALES.limit)]),
  ];
  for (let first = 0; first < moment.cellsV.length; first += PER_MESSAGE)
    lines.push(
      line(
        CELLS_ID + first / PER_MESSAGE,
        moment.cellsV.slice(first, first + PER_MESSAGE).flatMap((v) => two(v, SCALES.cell)),
      ),
    );
  return lines;
}
