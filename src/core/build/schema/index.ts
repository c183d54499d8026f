export { buildJsonSchema } from './build-schema';
export { LARGEST_FILE_BYTES, type ReadBuild, readBuild, readBuildText } from './read-build';
export { partFieldSpelling, readParts } from './read-parts';
