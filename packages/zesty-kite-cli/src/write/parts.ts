/** What is being written and not whole yet: what takes each of it away again. */
export const parts = new Set<() => void>();

/** Nothing of what is not whole stays: the call failed, or is ended. */
export function abandonParts(): void {
  for (const abandon of parts) abandon();
}
