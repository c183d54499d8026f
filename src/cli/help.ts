export const HELP = `Ropeway, headless. Computes and records; local code and licensed practice decide.

  ropeway assess FILE [--json]     all checks of a build file, thinnest first
  ropeway assess FILE FILE ...     each file in turn; --json gives an array, each answer with its file
  ropeway calc NAME --input FILE   one law; FILE is JSON, - reads standard input
  ropeway calc NAME --example      an input that works
  ropeway calc NAME --schema       JSON Schemas of its input and its result
  ropeway calc --list              all laws, a line each
  ropeway export FILE --format F   the build in another format on standard output, F one of:
                                   build, cables, parts, wires, labels, tests, logbook (CSV;
                                   --decimal , for a decimal comma), pack (Markdown),
                                   spice (with --case ID; an unknown ID lists them)
  ropeway schema                   JSON Schema of the build file
  ropeway --help                   this page

Exit codes
  0  all checks hold or are thin; a calculation was answered
  1  a check fails
  2  bad input: JSON with path, reason and remedy on standard output, the same in words on standard error
  3  undecided: nothing fails, but a check needs data, waits or is pending
  4  a fault of the program, said in one sentence: it says nothing of the build
     Of several files the worst tells: 4 before 2 before 1 before 3 before 0.

Run it as: npm run --silent ropeway -- VERB ...`;
