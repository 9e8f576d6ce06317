/** Lists of names in settings: names in code are checked as it is written, those of a JSON file when it is loaded. */
import type { InputName } from './inputs.ts';

/** An input of a binding, such as `KeyW`, `MouseRight` or `Space+MouseLeft`. */
export type Input = InputName | `${string}+${InputName}`;

/** Takes any string. A list of other names takes fewer, and is no such list. */
interface AnyName {
  readonly indexOf: (name: string) => number;
}

/** A list of known names; or of strings, as the compiler sees the lists of an imported JSON file. */
// `string` would widen the names before they are compared.
export type Listed<Name extends string> = readonly Name[] | ((string & {})[] & AnyName);
