export { assessmentJson, CAUTION } from './assessment-json';
export { buildFileName, buildText } from './build-file';
export { type CableRowInput, type Change, cablesCsv, type ImportPreview, readCablesCsv } from './cables-csv';
export { type CsvTable, type DecimalMark, readCsv, writeCsv } from './csv';
export { decodeText } from './decode-text';
export { modulesCsv, type ReadModules, readModulesCsv } from './modules-csv';
export { type PartsPreview, partsCsv, previewParts, rawParts } from './parts-csv';
export { spiceExport } from './spice';
export { type ReadTrip, readTripFile, type TripFile } from './trip-file';
