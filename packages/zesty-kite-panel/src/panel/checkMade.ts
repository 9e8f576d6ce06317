/** Checks an argument by one of its members. */

/** @throws TypeError for a value without the member */
export function checkMade(path: string, value: unknown, member: string, expected: string): void {
  if (typeof value === 'object' && value !== null && member in value) return;
  const got = typeof value === 'object' && value !== null ? 'another object' : String(value);
  throw new TypeError(`${path}: expected ${expected}, got ${got}`);
}
