interface Program {
  readonly name: string;
  readonly title: string;
}
export function stepsOfGuide(): (Program & { readonly mistakes: readonly Program[] })[];
export function writePrograms(folder: string): string[];
