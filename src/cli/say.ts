import type { Problem } from '@/core/formats/problems';

export const say = (text: string): boolean => process.stdout.write(`${text}\n`);
export const note = (text: string): boolean => process.stderr.write(`${text}\n`);

/** Names each problem with its place; the exit code for invalid input. */
export function refuse(problems: readonly Problem[]): 2 {
  for (const problem of problems) note(`${problem.path}: ${problem.message}`);
  return 2;
}

/** Options such as `--kind drive` and `--map A=b --map C=d`, and what stands between them. */
export function optionsOf(
  args: readonly string[],
  known: readonly string[],
): { options: Map<string, string[]>; rest: string[] } | { problem: Problem } {
  const options = new Map<string, string[]>();
  const rest: string[] = [];
  for (let i = 0; i < args.length; i++) {
    const arg = args[i] ?? '';
    if (!arg.startsWith('--')) {
      rest.push(arg);
      continue;
    }
    const name = arg.slice(2);
    const value = args[++i];
    if (!known.includes(name))
      return {
        problem: {
          path: arg,
          message: `is not an option; there are ${known.map((option) => `--${option}`).join(', ')}`,
        },
      };
    if (value === undefined) return { problem: { path: arg, message: 'needs a value behind it' } };
    options.set(name, [...(options.get(name) ?? []), value]);
  }
  return { options, rest };
}
