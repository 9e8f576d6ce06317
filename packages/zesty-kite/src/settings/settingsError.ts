/** The error for settings that are rejected. */
import { sentence, type Problem } from '../messages/index.ts';

/**
 * The error for rejected settings. The message lists the first 50 problems, one a line, and the number of the others.
 *
 * ```ts
 * try {
 *   camera.change(player);
 * } catch (error) {
 *   if (error instanceof SettingsError) for (const { path, expected, got } of error.problems) console.log(path, expected, got);
 * }
 * ```
 */
export class SettingsError extends Error {
  override readonly name = 'SettingsError';
  /** The first 50. */
  readonly problems: readonly Problem[];
  /** The number of further problems. */
  readonly more: number;

  /** @param call the function that rejects them, such as `change` */
  constructor(problems: readonly Problem[], more = 0, call = '') {
    const lines = problems.map((problem) => `  ${sentence(problem)}`);
    super(
      [
        `${call === '' ? '' : `${call}: `}settings rejected:`,
        ...lines,
        ...(more > 0 ? [`  and ${String(more)} more`] : []),
      ].join('\n'),
    );
    this.problems = problems;
    this.more = more;
  }

  /** @throws SettingsError if there is any problem */
  static throwFor(call: string, { list, more }: { list: readonly Problem[]; more: number }): void {
    if (list.length > 0) throw new SettingsError(list, more, call);
  }
}
