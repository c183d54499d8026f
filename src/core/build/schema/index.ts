export { buildJsonSchema } from './build-schema';
export { describeBuildFile } from './describe-build';
export { type ReadBmsConfig, readBmsConfig } from './read-bms';
export { LARGEST_FILE_BYTES, parseFile, type ReadBuild, readBuild, readBuildText } from './read-build';
export { type ReadCollection, readCollection } from './read-collection';
export { readParts } from './read-parts';
