export { CATALOGUE, catalogueOf, cataloguePart, findCataloguePart, fuseOf } from './catalogue';
export type * from './types';
