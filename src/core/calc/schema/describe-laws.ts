import { calculate } from './index';
import { LAWS } from './laws';

const block = (value: unknown): string => `\`\`\`json\n${JSON.stringify(value, null, 2)}\n\`\`\``;

/** Six digits are enough to compare; the program gives all. */
function rounded(value: unknown): unknown {
  if (typeof value === 'number') return Number(value.toPrecision(6));
  if (Array.isArray(value)) return value.map(rounded);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, rounded(inner)]));
}

/** Every law with an input that works and what it answers to it. Markdown, made by running them. */
export function describeLaws(): string {
  const sections = LAWS.map((law) => {
    const answer = calculate(law.name, law.example) as { ok: boolean; result: unknown };
    if (!answer.ok) throw new Error(`the example of ${law.name} is refused`);
    return `## ${law.name}\n\n${law.about[0]!.toUpperCase()}${law.about.slice(1)}.\n\n${block(law.example)}\n\nanswers, to six digits:\n\n${block(rounded(answer.result))}\n`;
  });
  return `# The laws, with an example each

Made by running them (\`npm run docs\`); \`npm test\` runs every example and fails when this page is old. What the fields mean: [headless.md](headless.md). Schemas: \`ropeway calc NAME --schema\`.

${sections.join('\n')}`;
}
