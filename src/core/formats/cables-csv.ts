import { type Build, type Conductor, type Edit, findConductor, findDevice, type Id, own, type Problem } from '../build';
import { type CablePart, catalogueOf } from '../parts';
import { type Vehicle, vehicleOf } from '../vehicle';
import { type DecimalMark, readCsv, readNumber, writeCsv } from './csv';

/** Columns of the cable list; the first six are read back, the others are for people. */
const COLUMNS = [
  'id',
  'name',
  'part_id',
  'parallel',
  'length_m',
  'circuit',
  'from',
  'to',
  'part',
  'area_mm2',
  'resistance_ohm',
];

/** All conductors of a build as CSV. */
export function cablesCsv(build: Build, mark: DecimalMark = '.'): string {
  const vehicle: Vehicle = vehicleOf(build);
  const end = ({ deviceId, terminal }: Conductor['a']) =>
    `${findDevice(build, deviceId)?.name ?? deviceId} ${terminal}`;
  const rows = (['hv', 'lv'] as const).flatMap((circuit) =>
    Object.values(build.circuits[circuit].conductors).map((conductor) => {
      const cable = own(build.parts, conductor.partId) as CablePart | undefined;
      const lengthM = vehicle.conductorOf.get(conductor.id)?.lengthM ?? conductor.lengthM;
      const metres = lengthM === null ? null : Math.round(lengthM * 1000) / 1000;
      return [
        conductor.id,
        conductor.name,
        conductor.partId,
        conductor.parallel,
        metres,
        circuit,
        end(conductor.a),
        end(conductor.b),
        cable?.name ?? null,
        cable?.areaMm2 ?? conductor.sectionMm2 ?? null,
        cable && metres !== null
          ? Number(((cable.resistance20OhmPerM * metres) / conductor.parallel).toPrecision(6))
          : null,
      ];
    }),
  );
  return writeCsv([COLUMNS, ...rows], mark);
}

/** One field of one thing that an import would change, in words for people. */
export interface Change {
  readonly subject: string;
  readonly what: string;
  readonly before: string;
  readonly after: string;
}

export type ImportPreview =
  | { readonly ok: true; readonly changes: readonly Change[]; readonly edit: Edit | null }
  | { readonly ok: false; readonly errors: readonly Problem[] };

export interface CableRowInput {
  readonly conductorId: Id;
  readonly name?: string;
  readonly part?: CablePart;
  readonly parallel?: number;
  readonly lengthM?: number;
}

const MOST_ERRORS = 20;

/**
 * What a cable list would change in a build, and the one edit that does it. Nothing is taken when any row is wrong.
 * Empty cells leave things as they are.
 */
export function readCablesCsv(text: string, build: Build): ImportPreview {
  const read = readCsv(text);
  if (!read.ok) return read;
  const { columns, rows } = read.table;
  if (!columns.includes('id'))
    return {
      ok: false,
      errors: [
        {
          path: 'heading',
          reason: 'has no column "id".',
          remedy: `Export the cable list first; it has ${COLUMNS.slice(0, 5).join(', ')}.`,
        },
      ],
    };
  const errors: Problem[] = [];
  const changes: Change[] = [];
  const inputs: CableRowInput[] = [];
  const seen = new Set<string>();
  const vehicle = vehicleOf(build);
  for (const { line, fields } of rows) {
    const at = (column: string, reason: string, remedy: string) =>
      errors.push({ path: `line ${line}, ${column}`, reason, remedy });
    const id = fields.get('id');
    const conductor = id === undefined ? undefined : findConductor(build, id);
    if (!conductor) {
      at(
        'id',
        `"${(id ?? '').slice(0, 60)}" is no conductor of this build.`,
        'Keep the ids of the exported list; remove this row.',
      );
      continue;
    }
    if (seen.has(conductor.id)) {
      at('id', `"${conductor.id}" stands in two rows.`, 'Keep one of them.');
      continue;
    }
    seen.add(conductor.id);
    const input: { -readonly [K in keyof CableRowInput]: CableRowInput[K] } = { conductorId: conductor.id };
    const change = (what: string, before: string, after: string) =>
      changes.push({ subject: conductor.name, what, before, after });
    const name = fields.get('name');
    if (name !== undefined && name !== conductor.name) {
      if (name.length > 120) at('name', 'is longer than 120 characters.', 'Shorten it.');
      input.name = name;
      change('name', conductor.name, name);
    }
    const partId = fields.get('part_id');
    if (partId !== undefined && partId !== conductor.partId) {
      const known = own(build.parts, partId) ?? catalogueOf('cable').find((part) => part.id === partId);
      if (known?.kind !== 'cable')
        at(
          'part_id',
          `"${partId.slice(0, 60)}" is no cable of the catalogue or of this build.`,
          'Import the part first, or use an id of the parts list.',
        );
      else if (conductor.kind !== 'cable')
        at('part_id', 'stands on a conductor that is no cable.', 'Leave the cell empty.');
      else {
        input.part = known;
        change('cable', own(build.parts, conductor.partId)?.name ?? 'none', known.name);
      }
    }
    const parallel = fields.get('parallel');
    if (parallel !== undefined) {
      const count = readNumber(parallel);
      if (count === undefined || !Number.isInteger(count) || count < 1 || count > 20)
        at(
          'parallel',
          `"${parallel.slice(0, 30)}" is no whole number from 1 to 20.`,
          'Write how many lie side by side.',
        );
      else if (count !== conductor.parallel) {
        input.parallel = count;
        change('in parallel', String(conductor.parallel), String(count));
      }
    }
    const length = fields.get('length_m');
    if (length !== undefined) {
      const metres = readNumber(length);
      const now = vehicle.conductorOf.get(conductor.id)?.lengthM ?? conductor.lengthM;
      if (metres === undefined || !(metres > 0 && metres <= 100))
        at(
          'length_m',
          `"${length.slice(0, 30)}" is no length above 0 and up to 100 m.`,
          'Write metres, such as 1.25 or 1,25.',
        );
      else if (now === null || Math.abs(metres - now) > 0.0006) {
        input.lengthM = metres;
        change('length', now === null ? 'not known' : `${Math.round(now * 1000) / 1000} m`, `${metres} m`);
      }
    }
    if (Object.keys(input).length > 1) inputs.push(input);
  }
  if (errors.length > 0) return { ok: false, errors: errors.slice(0, MOST_ERRORS) };
  return { ok: true, changes, edit: inputs.length === 0 ? null : { edit: 'importCables', input: { rows: inputs } } };
}
