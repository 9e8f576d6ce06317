/** A name as a shell takes it: in quotes if it needs them. */
import { oneLine } from '../failure.ts';

export function shellWord(name: string): string {
  // A name that begins with a dash would be read as an option.
  const path = name.startsWith('-') ? `./${name}` : name;
  return /^[\w@%+=:,./-]+$/.test(path) ? path : `'${oneLine(path).replaceAll("'", "'\\''")}'`;
}
