import type { EditName } from '../build/edits/edits';
import type { Example } from './edit-examples/fixtures';
import { LAYOUT } from './edit-examples/layout';
import { RECORDS } from './edit-examples/records';
import { TRACTION } from './edit-examples/traction';
import { WORK } from './edit-examples/work';

export type { Example, Input } from './edit-examples/fixtures';

/** Every edit with an input that it takes, and what it leaves: a new edit without one does not compile. */
export const EXAMPLES: { readonly [N in EditName]: Example<N> } = { ...TRACTION, ...LAYOUT, ...RECORDS, ...WORK };
