import type { ValidationErrorItem } from 'joi';
import type { Part } from '../../parts/types';
import type { Problem } from '../problem';
import { partSchema } from './part-schema';

type ReadParts =
  | { readonly ok: true; readonly parts: readonly Part[] }
  | { readonly ok: false; readonly errors: readonly Problem[] };

const MOST_ERRORS = 20;

/** Parts from raw rows: validated one by one, refused whole when any is wrong. */
export function readParts(
  rows: readonly { readonly line: number; readonly data: Readonly<Record<string, unknown>> }[],
): ReadParts {
  const errors: Problem[] = [];
  const parts: Part[] = [];
  const lines = new Map<string, number>();
  for (const { line, data } of rows) {
    const { error, value } = partSchema.validate(data, { abortEarly: false, convert: false });
    if (error) errors.push(...error.details.map((item) => problemOf(item, line)));
    else {
      const part = value as Part;
      const earlier = lines.get(part.id);
      if (earlier !== undefined)
        errors.push({
          path: `line ${line}, id`,
          reason: `"${part.id}" stands in line ${earlier} already.`,
          remedy: 'Keep one of them.',
        });
      lines.set(part.id, line);
      parts.push(part);
    }
  }
  return errors.length > 0 ? { ok: false, errors: errors.slice(0, MOST_ERRORS) } : { ok: true, parts };
}

const problemOf = (item: ValidationErrorItem, line: number): Problem => ({
  path: `line ${line}, ${item.path.join('.') || 'row'}`,
  reason: `${item.message.replace(/^"[^"]*" /, '')}.`,
  remedy:
    item.type === 'object.unknown'
      ? 'This kind of part has no such field: empty the cell.'
      : 'Correct the cell; an exported parts list shows every field of each kind.',
});
