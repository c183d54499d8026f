import type { Build } from '../build';

/** The build file: the document and nothing else, keys as they are, two spaces. */
export const buildText = (build: Build): string => `${JSON.stringify(build, null, 2)}\n`;

/** A file name that every system takes: letters, digits and dashes of the build's name. */
export const buildFileName = (name: string, ending: string): string => {
  const plain = name
    .normalize('NFKD')
    .replace(/[^A-Za-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60);
  return `${plain === '' ? 'build' : plain.toLowerCase()}${ending}`;
};
