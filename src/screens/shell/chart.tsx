'use client';
import { writeCsv } from '@/core/formats';
import { decimalMark } from '@/ui/action';
import type { ChartRow } from '@/ui/chart/chart-data';
import { XYChart as Chart, type XYChartProps } from '@/ui/chart/xy-chart';

export type { ChartRow, Curve, Limit, Pane } from '@/ui/chart/chart-data';

/** Values as a file that opens right in this browser's spreadsheets. */
export const writeSheet = (rows: readonly (readonly (string | number | null)[])[]): string =>
  writeCsv(rows, decimalMark());

/** Curves over anything but time. */
export const XYChart = (props: Omit<XYChartProps, 'write'>) => <Chart {...props} write={writeSheet} />;

/** Curves over time, s, in `t`: it ends where the data end, on no tick. */
export const TimeChart = ({
  endS,
  ...props
}: Omit<XYChartProps, 'write' | 'along' | 'rows'> & {
  readonly rows: readonly (ChartRow & { readonly t: number })[];
  /** Where the axis ends; absent: with the last row. */
  readonly endS?: number;
}) => (
  <XYChart
    {...props}
    along={{ key: 't', name: 'Time', dimension: 'time', from: 0, ...(endS === undefined ? {} : { to: endS }) }}
  />
);
