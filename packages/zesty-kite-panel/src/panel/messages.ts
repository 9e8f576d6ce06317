/** The messages beside settings: rejected values, and the warnings of `check`. */
import { SettingsError, type Settings, type Terrain } from 'zesty-kite';
import { reviewSettings, type Warning } from 'zesty-kite/review';

export class Messages {
  /** By path: why the last value was refused. */
  refused: Readonly<Record<string, string>> = {};
  warnings: readonly Warning[] = [];

  /** A value that was refused, at the setting that it was given for. */
  refuse(path: string, error: unknown): void {
    if (!(error instanceof Error)) throw error;
    const problem = error instanceof SettingsError ? error.problems[0] : undefined;
    const told =
      problem === undefined ? error.message : `${problem.path}: expected ${problem.expected}, got ${problem.got}`;
    this.refused = { [path]: told };
  }

  review(settings: readonly Settings[], screen: { width: number; height: number }, terrain: Terrain | null): void {
    try {
      this.warnings = reviewSettings(settings, screen, terrain);
    } catch (error) {
      // Rejected values are shown beside their settings.
      if (!(error instanceof SettingsError)) throw error;
    }
  }

  of(path: string): readonly string[] {
    const refused = this.refused[path];
    const warned = this.warnings.filter(({ path: at }) => isAt(at, path)).map(({ message }) => message);
    return refused === undefined ? warned : [refused, ...warned];
  }

  countIn(section: string): number {
    return this.warnings.filter(({ path }) => path === section || path.startsWith(`${section}.`)).length;
  }
}

/** A warning of one item of a list shows at the list. */
function isAt(warned: string, path: string): boolean {
  return warned === path || warned.startsWith(`${path}[`);
}
