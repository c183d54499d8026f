export { assessmentJson, CAUTION } from './assessment-json';
export { type BmsConfig, bmsConfigRows, bmsConfigText } from './bms-config';
export { bmsDatabase } from './bms-messages';
export { buildFileName, buildText } from './build-file';
export { type CableRowInput, type Change, cablesCsv, type ImportPreview, readCablesCsv } from './cables-csv';
export { type CalendarEntry, calendarText } from './calendar-file';
export { COLLECTION_FORMAT, type Collected, collectionText } from './collection';
export { type CsvTable, type DecimalMark, readCsv, writeCsv } from './csv';
export { cutListCsv } from './cut-list-csv';
export { decodeText } from './decode-text';
export { inHandCsv } from './in-hand-csv';
export { modulesCsv, type ReadModules, readModulesCsv } from './modules-csv';
export { readModulesTyped } from './modules-typed';
export { type PartsPreview, partsCsv, previewParts, rawParts } from './parts-csv';
export { pinsCsv, type ReadPins, readPinsCsv } from './pins-csv';
export { spiceExport } from './spice';
// Its reader carries an XML library: whoever reads trips imports it from its own file.
export type { ReadTrip, TripFile } from './trip-file';
export { type EndLabel, endLabels, labelsCsv, wiringCsv } from './wiring-csv';
