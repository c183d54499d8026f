export { CATALOGUE, catalogueOf, cataloguePart, findCataloguePart } from './catalogue';
export { fuseOf } from './fuses';
export type * from './types';
