import type { Context } from '../context';
import { type Commissioning, commissioningOf } from './sheets';

const made = new WeakMap<Context, Commissioning>();

/** Sheets with what was entered, made once for what was judged. */
export function sheetsFor(context: Context): Commissioning {
  const found = made.get(context) ?? commissioningOf(context);
  made.set(context, found);
  return found;
}
