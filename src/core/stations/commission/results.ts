import { Follows } from '../../vehicle';
import type { Context } from '../context';
import { type Commissioning, commissioningOf } from './sheets';

const made = new Follows<Context, Commissioning>();

/** Sheets with what was entered, made once for what was judged. */
export const sheetsFor = (context: Context): Commissioning => made.get(context, () => commissioningOf(context));
