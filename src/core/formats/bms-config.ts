import { BMS_FORMAT, BMS_VERSION, type CellCare } from '../build';

/** Configuration of a battery management as an open file: see docs/bms-configuration.md. */
export interface BmsConfig {
  readonly format: typeof BMS_FORMAT;
  readonly version: typeof BMS_VERSION;
  /** Cells in a row that it is for. */
  readonly cells: number;
  readonly settings: CellCare;
}

/** Settings as JSON; readings stay in the build. */
export function bmsConfigText(bms: CellCare | undefined, cells: number): string {
  const { tapsV: _, ...settings } = bms ?? {};
  const config: BmsConfig = { format: BMS_FORMAT, version: BMS_VERSION, cells, settings };
  return `${JSON.stringify(config, null, 2)}\n`;
}

/** The plain figures and answers of the same as rows: name, value. Curves as one row a point. */
export function bmsConfigRows(bms: CellCare | undefined): readonly (readonly [string, string | number])[] {
  const { tapsV: _, curves = {}, ...settings } = bms ?? {};
  return [
    ['setting', 'value'],
    ...Object.entries(settings).map(([name, value]): [string, string | number] => [
      name,
      typeof value === 'boolean' ? (value ? 'yes' : 'no') : (value as number),
    ]),
    ...Object.entries(curves).flatMap(([curve, points]) =>
      (points ?? []).map(([x, ampere], k): [string, string] => [`${curve} ${k + 1}`, `${x} ${ampere}`]),
    ),
  ];
}
