/** A drive that is made up for tests and measurements: cells of known rest voltage and resistance, a current in steps. */
export interface MadeDrive {
  readonly cells: number;
  readonly rows: number;
  readonly everyS: number;
  readonly restV: (cell: number) => number;
  readonly ohm: (cell: number) => number;
}

/** Current at a row, A: a minute of rest, then steps of a few seconds. */
export const currentAt = (row: number, everyS: number): number => {
  const t = row * everyS;
  return t < 60 ? 0 : [40, 120, 80, -30, 10][Math.floor(t / 5) % 5]!;
};

/** As columns: time, current, pack, cells, one temperature. */
export function madeCsv({ cells, rows, everyS, restV, ohm }: MadeDrive, end = '\n'): string {
  const names = Array.from({ length: cells }, (_, k) => `Cell ${k + 1} (V)`);
  const lines = [`Time (s),Current (A),Pack voltage (V),${names.join(',')},Temp 1`];
  for (let row = 0; row < rows; row++) {
    const ampere = currentAt(row, everyS);
    const volts = Array.from({ length: cells }, (_, k) => restV(k) - ampere * ohm(k));
    const sum = volts.reduce((total, v) => total + v, 0);
    lines.push(
      `${(row * everyS).toFixed(2)},${ampere},${sum.toFixed(3)},${volts.map((v) => v.toFixed(5)).join(',')},${(20 + row / 1000).toFixed(2)}`,
    );
  }
  return lines.join(end) + end;
}

/** A database for the frames of `madeFrames`: current and pack in one message, four cells in each of the next. */
export function madeDatabase(cells: number): string {
  const lines = [
    'VERSION ""',
    'BO_ 256 Pack: 8 Unit',
    ' SG_ Current : 7|16@0- (0.1,0) [-3000|3000] "A" Unit',
    ' SG_ PackVoltage : 23|16@0+ (0.1,0) [0|6000] "V" Unit',
  ];
  for (let first = 0; first < cells; first += 4) {
    lines.push(`BO_ ${257 + first / 4} Cells${first}: 8 Unit`);
    for (let k = first; k < Math.min(cells, first + 4); k++)
      lines.push(` SG_ Cell${k + 1} : ${16 * (k - first)}|16@1+ (0.0001,0) [0|6.5] "V" Unit`);
  }
  return `${lines.join('\n')}\n`;
}

/** The same drive as frames in text. */
export function madeFrames({ cells, rows, everyS, restV, ohm }: MadeDrive): string {
  const hex = (value: number) => (value & 0xff).toString(16).toUpperCase().padStart(2, '0');
  const lines: string[] = [];
  for (let row = 0; row < rows; row++) {
    const at = (1_700_000_000 + row * everyS).toFixed(6);
    const ampere = currentAt(row, everyS);
    const volts = Array.from({ length: cells }, (_, k) => restV(k) - ampere * ohm(k));
    const [i, u] = [Math.round(ampere * 10), Math.round(volts.reduce((sum, v) => sum + v, 0) * 10)];
    lines.push(`(${at}) can0 100#${hex(i >> 8)}${hex(i)}${hex(u >> 8)}${hex(u)}00000000`);
    for (let first = 0; first < cells; first += 4) {
      let data = '';
      for (let k = first; k < Math.min(cells, first + 4); k++) {
        const raw = Math.round(volts[k]! * 10_000);
        data += hex(raw) + hex(raw >> 8);
      }
      lines.push(`(${at}) can0 ${(257 + first / 4).toString(16).toUpperCase()}#${data}`);
    }
  }
  return `${lines.join('\n')}\n`;
}
