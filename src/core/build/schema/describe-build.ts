import { FORMAT, VERSION } from '../types';
import { buildJsonSchema } from './build-schema';

interface Node {
  readonly type?: string | readonly string[];
  readonly properties?: Readonly<Record<string, Node>>;
  readonly patternProperties?: Readonly<Record<string, Node>>;
  readonly required?: readonly string[];
  readonly items?: Node | false;
  readonly anyOf?: readonly Node[];
  readonly enum?: readonly unknown[];
  readonly const?: unknown;
  readonly minimum?: number;
  readonly exclusiveMinimum?: number;
  readonly maximum?: number;
  readonly minLength?: number;
  readonly maxLength?: number;
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly maxProperties?: number;
  readonly pattern?: string;
}

function limits(node: Node): string {
  const parts: string[] = [];
  if (node.enum) parts.push(node.enum.map((value) => `\`${String(value)}\``).join(', '));
  if (node.exclusiveMinimum !== undefined) parts.push(`above ${node.exclusiveMinimum}`);
  if (node.minimum !== undefined) parts.push(`at least ${node.minimum}`);
  if (node.maximum !== undefined) parts.push(`at most ${node.maximum}`);
  if (node.pattern !== undefined) parts.push('an id');
  else if (node.maxLength !== undefined) parts.push(`${node.maxLength} characters at most`);
  if (node.maxItems !== undefined) parts.push(`${node.minItems ?? 0} to ${node.maxItems} entries`);
  if (node.maxProperties !== undefined) parts.push(`${node.maxProperties} entries at most`);
  return parts.join(', ');
}

const typeOf = (node: Node): string => {
  if (node.patternProperties) return 'object by id';
  if (node.anyOf)
    return node.anyOf.every((one) => one.properties) ? 'one of several' : node.anyOf.map(typeOf).join(' or ');
  return [node.type ?? (node.enum ? 'value' : 'any')].flat().join(' or ');
};

function rows(node: Node, path: string, optional: boolean, out: string[]): void {
  out.push(`| \`${path}\` | ${typeOf(node)}${optional ? ', may be absent' : ''} | ${limits(node)} |`);
  inside(node, path, out);
}

function inside(node: Node, path: string, out: string[]): void {
  for (const [key, inner] of Object.entries(node.properties ?? {}))
    rows(inner, `${path}.${key}`, !(node.required ?? []).includes(key), out);
  for (const inner of Object.values(node.patternProperties ?? {})) inside(inner, `${path}.ID`, out);
  if (node.items) inside(node.items, `${path}[]`, out);
  for (const one of node.anyOf ?? []) {
    const kind = one.properties?.kind?.enum?.[0];
    inside(one, kind === undefined ? path : `${path} (${String(kind)})`, out);
  }
}

/** The build file in words, made from the schema that reads it. Markdown. */
export function describeBuildFile(): string {
  const schema = buildJsonSchema() as Node;
  const sections = Object.entries(schema.properties ?? {}).map(([key, node]) => {
    const out: string[] = [];
    rows(node, key, !(schema.required ?? []).includes(key), out);
    return `## ${key}\n\n| field | type | limits |\n|---|---|---|\n${out.join('\n')}\n`;
  });
  return `# The build file

Made from the schema (\`npm run docs\`); \`npm test\` fails when it is old. \`npm run --silent ropeway -- schema\` prints the same as JSON Schema.

One JSON object, \`format\` "${FORMAT}", \`version\` ${VERSION}. SI units are in the names; nothing that can be computed is stored. References are by id; ids are letters, digits, dots,
dashes and underscores, 60 at most. A build carries its own copies of the parts that it uses. A file of more than 20 MB, of a newer version, with an unknown field, a dangling reference
or an id used twice is refused whole, with path, reason and remedy.

${sections.join('\n')}`;
}
