'use client';
import { writeCsv } from '@/core/formats';
import { decimalMark } from '@/ui/action';
import { DataTable as Table } from '@/ui/data-table';

export { type Column, RowOpener } from '@/ui/data-table';

type Props<Row extends object> = Omit<Parameters<typeof Table<Row>>[0], 'write'>;

/** The kit’s table; what is copied from it is safe in a spreadsheet, with the decimal mark of this browser. */
export const DataTable = <Row extends object>(props: Props<Row>) => (
  <Table<Row> {...props} write={(rows) => writeCsv(rows, decimalMark()).slice(1)} />
);
