/** Modifier keys of an event, and their UI Events codes. */

export type Modifier = 'Shift' | 'Control' | 'Alt' | 'Meta';

export const MODIFIERS = [
  { name: 'Shift', flag: 'shiftKey', codes: ['ShiftLeft', 'ShiftRight'] },
  { name: 'Control', flag: 'ctrlKey', codes: ['ControlLeft', 'ControlRight'] },
  { name: 'Alt', flag: 'altKey', codes: ['AltLeft', 'AltRight'] },
  { name: 'Meta', flag: 'metaKey', codes: ['MetaLeft', 'MetaRight'] },
] as const;

/** The modifiers that are down. */
export function modifiersOf(event: MouseEvent): readonly Modifier[] {
  return MODIFIERS.filter(({ flag }) => event[flag]).map(({ name }) => name);
}
