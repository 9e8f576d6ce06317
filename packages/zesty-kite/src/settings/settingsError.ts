/** Settings that are refused. */
import { sentence, type Problem } from '../messages/index.ts';

/** Settings that cannot be used. The message lists every problem, one a line. */
export class SettingsError extends Error {
  override readonly name = 'SettingsError';
  readonly problems: readonly Problem[];

  constructor(problems: readonly Problem[]) {
    super(`Settings refused:\n${problems.map((problem) => `  ${sentence(problem)}`).join('\n')}`);
    this.problems = problems;
  }
}
