import type { Build } from '../build';
import { findDevice } from '../build';
import { type DecimalMark, writeCsv } from './csv';

/** The list of what is in hand and wanted as a table, a line each; masses in kg, prices in the owner’s money. */
export function inHandCsv(
  build: Build,
  massKgOf: (deviceId: string) => number | null,
  mark: DecimalMark = '.',
): string {
  const head = [
    'name',
    'for',
    'state',
    'count',
    'spare',
    'price',
    'total',
    'paid',
    'massKg',
    'from',
    'came with',
    'donor',
    'donor km',
    'donor year',
    'found bad',
    'note',
  ];
  const rows = Object.values(build.inHand ?? {}).map((item) => {
    const device = item.deviceId === undefined ? undefined : findDevice(build, item.deviceId);
    return [
      item.name,
      device?.name ?? '',
      item.state,
      item.count,
      item.spare ? 'spare' : '',
      item.price ?? null,
      item.price === undefined ? null : item.price * item.count,
      item.paid ? 'paid' : '',
      device ? massKgOf(device.id) : null,
      item.from ?? '',
      item.came ?? '',
      item.donor ?? '',
      item.donorM === undefined ? null : item.donorM / 1000,
      item.donorYear ?? null,
      Object.entries(item.found ?? {})
        .flatMap(([point, how]) => (how === 'bad' ? [point] : []))
        .join(' '),
      item.note ?? '',
    ];
  });
  return writeCsv([head, ...rows], mark);
}
