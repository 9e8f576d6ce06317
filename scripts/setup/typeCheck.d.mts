export function typeErrorsIn(folder: string, include: string): string;
