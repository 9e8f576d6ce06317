export function fingerprint(at?: string): string;
