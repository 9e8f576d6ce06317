/** Texts of the dialog in English: a table that games translate. */

export interface DialogTexts {
  /** The heading of the dialog. */
  readonly title: string;
  /** The button that closes it. */
  readonly close: string;
  /** The button that resets every setting. */
  readonly resetAll: string;
  /** Of one setting, whose name stands for `{name}`. */
  readonly reset: string;
  /** The button that adds an input. */
  readonly addInput: string;
  /** The button that removes an input. */
  readonly removeInput: string;
  /** While a key is awaited. */
  readonly press: string;
  /** Of an input `{input}` that is bound more than once. */
  readonly conflict: string;
  /** The words for the values of choices, such as `cursor`. A value that is not here is shown as it is. */
  readonly values: Readonly<Partial<Record<string, string>>>;
}

export const dialogTexts: DialogTexts = {
  title: 'Camera',
  close: 'Close',
  resetAll: 'Reset all',
  reset: 'Reset {name}',
  addInput: 'Add a key for {name}',
  removeInput: 'Remove {input} from {name}',
  press: 'Press a key or a button. Escape cancels.',
  conflict: '{input} is used twice.',
  values: {
    cursor: 'the pointer',
    focus: 'the middle',
    'below-eye': 'below the camera',
    eye: 'the camera',
    screen: 'the screen',
    world: 'north',
    zoom: 'zoom',
    pan: 'move',
    'by-device': 'wheel zooms, trackpad moves',
    'one-finger': 'one finger',
    'two-fingers': 'two fingers',
    null: 'off',
  },
};

/** Returns a text with its names filled in. */
export function filled(text: string, names: Readonly<Record<string, string>>): string {
  return Object.entries(names).reduce((whole, [key, value]) => whole.replaceAll(`{${key}}`, value), text);
}
