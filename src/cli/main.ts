import { readFileSync } from 'node:fs';
import { assessWithRuns } from '../core/assess';
import type { Problem } from '../core/build';
import { buildJsonSchema, LARGEST_FILE_BYTES, readBuildText } from '../core/build/schema';
import { assessmentJson, decodeText } from '../core/formats';
import { Memory } from '../core/vehicle';
import { runExport } from './export';
import { HELP } from './help';
import { assessmentText } from './report';

/** Exit codes, part of the public interface. */
const EXIT = { holds: 0, fails: 1, badInput: 2, undecided: 3, fault: 4 } as const;

/** Controls but tab and line ends, and marks that turn the direction of text. */
// biome-ignore lint/suspicious/noControlCharactersInRegex: they are what is looked for
const UNPRINTABLE = /[\u0000-\u0008\u000B-\u001F\u007F-\u009F\u061C\u200E\u200F\u202A-\u202E\u2066-\u2069]/g;

/** Of this command; files of one folder are often alike. */
const memory = new Memory();

class BadInput extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super(problems[0]?.reason ?? 'bad input');
  }
}

/** A fault of the program in one sentence. */
const faultOf = (error: unknown): readonly Problem[] => [
  {
    path: '(program)',
    reason: `could not do this: ${(error instanceof Error ? error.message : String(error)).slice(0, 200)}.`,
    remedy: 'It is a fault of the program: report it with the file.',
  },
];
const bad = (path: string, reason: string, remedy: string) => new BadInput([{ path, reason, remedy }]);
/** Text from files that a terminal would obey or that turns what stands beside it round is shown as what it is: no text. */
const plain = (text: string) => text.replace(UNPRINTABLE, '\uFFFD');
const out = (text: string) => process.stdout.write(`${plain(text)}\n`);
const err = (text: string) => process.stderr.write(`${plain(text)}\n`);
/** In JSON it is written out: the same text for who reads it, nothing for a terminal to obey. */
const jsonText = (value: unknown) =>
  JSON.stringify(value, null, 2).replace(UNPRINTABLE, (one) => `\\u${one.charCodeAt(0).toString(16).padStart(4, '0')}`);
const json = (value: unknown) => process.stdout.write(`${jsonText(value)}\n`);

function readText(path: string): string {
  try {
    const data = readFileSync(path === '-' ? 0 : path);
    if (data.length > LARGEST_FILE_BYTES)
      throw bad(path, 'is larger than 20 MB.', 'A build file is far smaller: choose another file.');
    return decodeText(data);
  } catch (error) {
    if (error instanceof BadInput) throw error;
    throw bad(
      path,
      `can’t be read: ${(error as NodeJS.ErrnoException).code ?? 'error'}.`,
      'Check the path and its permissions.',
    );
  }
}

/** Words that are no options, and the options; refuses options that a verb does not know. */
function parse(
  args: readonly string[],
  flags: readonly string[],
  valued: readonly string[] = [],
): { words: string[]; has: (flag: string) => boolean; value: (flag: string) => string | undefined } {
  const words: string[] = [];
  const found = new Map<string, string>();
  for (let i = 0; i < args.length; i++) {
    const arg = args[i]!;
    if (!arg.startsWith('--')) words.push(arg);
    else if (flags.includes(arg)) found.set(arg, '');
    else if (valued.includes(arg)) {
      const value = args[++i];
      if (value === undefined) throw bad(arg, 'needs a value.', 'See --help.');
      found.set(arg, value);
    } else throw bad(arg, 'is not an option here.', 'See --help.');
  }
  return { words, has: (flag) => found.has(flag), value: (flag) => found.get(flag) };
}

function runAssess(args: readonly string[]): number {
  const { words, has } = parse(args, ['--json']);
  const [file, ...more] = words;
  if (file === undefined) throw bad('assess', 'takes a file, or several.', 'Write: ropeway assess FILE … [--json]');
  if (more.length > 0) return assessFiles(words, has('--json'));
  const read = readBuildText(readText(file));
  if (!read.ok) throw new BadInput(read.errors);
  const assessment = assessWithRuns(read.build, { memory });
  if (has('--json')) json(assessmentJson(assessment));
  else out(assessmentText(assessment));
  return EXIT[assessment.outcome];
}

/** Of several files the worst tells the exit code: one over which the program stumbled, then one that can't be read, then one that fails, then one that is undecided. */
const WORST_FIRST: readonly number[] = [EXIT.fault, EXIT.badInput, EXIT.fails, EXIT.undecided, EXIT.holds];

/** Every file by itself, in the order given; one that can't be read does not keep the others from being judged. */
function assessFiles(files: readonly string[], asJson: boolean): number {
  const codes = new Set<number>();
  files.forEach((file, k) => {
    const { code, text, answer } = assessOne(file);
    codes.add(code);
    if (asJson) process.stdout.write(`${k === 0 ? '[' : ','}\n${jsonText(answer)}`);
    else out(`${k === 0 ? '' : '\n'}${file}\n${text}`);
  });
  if (asJson) out('\n]');
  return WORST_FIRST.find((code) => codes.has(code)) ?? EXIT.holds;
}

function assessOne(file: string): { readonly code: number; readonly text: string; readonly answer: unknown } {
  const refused = (errors: readonly Problem[], code: number = EXIT.badInput) => {
    const lines = errors.map(({ path, reason, remedy }) => `${path}: ${reason} ${remedy}`);
    err(`${file}: ${lines.join(`\n${file}: `)}`);
    return { code, text: lines.join('\n'), answer: { ok: false, file, errors } };
  };
  try {
    const read = readBuildText(readText(file));
    if (!read.ok) return refused(read.errors);
    const assessment = assessWithRuns(read.build, { memory });
    const code = EXIT[assessment.outcome];
    return { code, text: assessmentText(assessment), answer: { file, ...(assessmentJson(assessment) as object) } };
  } catch (error) {
    return error instanceof BadInput ? refused(error.problems) : refused(faultOf(error), EXIT.fault);
  }
}

async function runCalc(args: readonly string[]): Promise<number> {
  // Forty laws with their schemas: whoever assesses need not wait for them.
  const { calculate, findLaw, LAWS, lawSchema } = await import('../core/calc/schema');
  const { words, has, value } = parse(args, ['--list', '--example', '--schema'], ['--input']);
  if (has('--list')) {
    for (const law of LAWS) out(`${law.name.padEnd(12)} ${law.about}`);
    return 0;
  }
  const [name, ...rest] = words;
  if (name === undefined || rest.length > 0)
    throw bad('calc', 'takes the name of one law.', 'See: ropeway calc --list');
  const law = findLaw(name);
  if (!law) throw bad(name, 'is not a law here.', `Use one of: ${LAWS.map((known) => known.name).join(', ')}.`);
  if (has('--example')) {
    json(law.example);
    return 0;
  }
  if (has('--schema')) {
    json(lawSchema(law));
    return 0;
  }
  const path = value('--input');
  if (path === undefined) throw bad('--input', 'is missing.', 'Name a JSON file, or - for standard input.');
  let input: unknown;
  try {
    input = JSON.parse(readText(path));
  } catch (error) {
    if (error instanceof BadInput) throw error;
    throw bad(
      path,
      `is not readable JSON: ${(error as Error).message.slice(0, 120)}.`,
      'Check the file; --example prints an input that works.',
    );
  }
  const answer = calculate(name, input);
  json(answer);
  const all = Array.isArray(answer) ? answer : [answer];
  return all.every((one) => one.ok) ? 0 : EXIT.badInput;
}

function exportFile(args: readonly string[]): number {
  const { words, value } = parse(args, [], ['--format', '--case', '--decimal']);
  const [file, ...rest] = words;
  const format = value('--format');
  if (file === undefined || rest.length > 0 || format === undefined)
    throw bad('export', 'takes one file and a format.', 'Write: ropeway export FILE --format FORMAT');
  const read = readBuildText(readText(file));
  if (!read.ok) throw new BadInput(read.errors);
  const made = runExport(read.build, { format, caseId: value('--case'), decimal: value('--decimal') });
  if (!made.ok) throw new BadInput(made.errors);
  process.stdout.write(made.text);
  return 0;
}

async function main(args: readonly string[]): Promise<number> {
  const [verb, ...rest] = args;
  switch (verb) {
    case 'assess':
      return runAssess(rest);
    case 'calc':
      return await runCalc(rest);
    case 'export':
      return exportFile(rest);
    case 'schema':
      json(buildJsonSchema());
      return 0;
    case undefined:
    case '--help':
    case 'help':
      out(HELP);
      return 0;
    default:
      throw bad(verb, 'is not a verb here.', 'See --help.');
  }
}

// Who reads may have seen enough: `ropeway … | head`.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error;
  process.exit();
});
try {
  process.exitCode = await main(process.argv.slice(2));
} catch (error) {
  const told = error instanceof BadInput ? error.problems : faultOf(error);
  json({ ok: false, errors: told });
  for (const { path, reason, remedy } of told) err(`${path}: ${reason} ${remedy}`);
  process.exitCode = error instanceof BadInput ? EXIT.badInput : EXIT.fault;
}
