export { buildJsonSchema } from './build-schema';
export { describeBuildFile } from './describe-build';
export { LARGEST_FILE_BYTES, type ReadBuild, readBuild, readBuildText } from './read-build';
export { readParts } from './read-parts';
