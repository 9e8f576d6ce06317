/** Files that are being written: a call that removes each of them again. */
export const parts = new Set<() => void>();

/** Nothing of what is not whole stays: the call failed, or is ended. */
export function abandonParts(): void {
  for (const abandon of parts) abandon();
}
