/** The folder of this package: built or bundled, this file is in a folder of it. */
export const PACKAGE: URL = new URL('../', import.meta.url);
