/** A name as a shell takes it: in quotes if it needs them. */
import { oneLine } from '../failure.ts';

export function shellWord(name: string): string {
  // What begins with a dash would be an option.
  const path = name.startsWith('-') ? `./${name}` : name;
  return /^[\w@%+=:,./-]+$/.test(path) ? path : `'${oneLine(path).replaceAll("'", "'\\''")}'`;
}
