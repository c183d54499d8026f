export { chaptersOf, imprintOf } from './chapters';
export { type Block, type Chapter, DECIDES, DRAWINGS, type DrawingId, type Imprint } from './document';
export { markdownOf } from './markdown';
export { logbookCsv, openFiles } from './open-files';
export { footText, type PageDefinition, pagesOf } from './pages';
export { readTestsCsv, type TestsRead, testsCsv } from './tests-csv';
