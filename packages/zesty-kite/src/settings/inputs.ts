/** The names of inputs, for bindings: keys, buttons, wheels, and those of devices. */
import { DEVICE_INPUTS, type DeviceInput } from '../devices/index.ts';
import type { KeyName } from './keyName.ts';
import { nearest } from './nearest.ts';

/** The buttons of a pointer. */
export const BUTTONS = [
  'MouseLeft',
  'MouseMiddle',
  'MouseRight',
  'MouseBack',
  'MouseForward',
  'Touch',
  'Pen',
  'PenBarrel',
  'PenEraser',
] as const;

export type Button = (typeof BUTTONS)[number];

/** A wheel, away from the player and toward. */
export const WHEELS = ['WheelUp', 'WheelDown'] as const;

/** The mouse moves with no button down. */
export const MOUSE_MOTION = 'MouseMotion' as const;

const WAYS = ['Up', 'Down', 'Left', 'Right'];
/** Modifiers without a side: either side counts. */
const MODIFIERS = ['Shift', 'Control', 'Alt', 'Meta'];

function words(text: string, before = ''): string[] {
  return text.split(' ').map((word) => `${before}${word}`);
}

function numbered(before: string, from: number, to: number): string[] {
  return Array.from({ length: to - from + 1 }, (_, i) => `${before}${String(from + i)}`);
}

/** An input by its name. */
export type InputName = KeyName | Button | (typeof WHEELS)[number] | typeof MOUSE_MOTION | DeviceInput;

/** The codes of keys: UI Events KeyboardEvent code Values, W3C Recommendation of 2025. */
export const KEYS: readonly string[] = [
  ...Array.from({ length: 26 }, (_, i) => `Key${String.fromCharCode(65 + i)}`),
  ...numbered('Digit', 0, 9),
  ...numbered('Numpad', 0, 9),
  ...numbered('F', 1, 24),
  ...numbered('Lang', 1, 5),
  ...WAYS.map((way) => `Arrow${way}`),
  ...MODIFIERS.flatMap((name) => [name, `${name}Left`, `${name}Right`]),
  ...words('Add Backspace Clear ClearEntry Comma Decimal Divide Enter Equal Hash', 'Numpad'),
  ...words('MemoryAdd MemoryClear MemoryRecall MemoryStore MemorySubtract Multiply ParenLeft', 'Numpad'),
  ...words('ParenRight Star Subtract', 'Numpad'),
  ...words('Backquote Backslash BracketLeft BracketRight Comma Equal IntlBackslash IntlRo IntlYen Minus Period'),
  ...words('Quote Semicolon Slash Backspace CapsLock ContextMenu Enter Space Tab Convert KanaMode NonConvert'),
  ...words('Delete End Help Home Insert PageDown PageUp NumLock Escape Fn FnLock PrintScreen ScrollLock Pause'),
  ...words('Back Favorites Forward Home Refresh Search Stop', 'Browser'),
  ...words('Eject LaunchApp1 LaunchApp2 LaunchMail MediaPlayPause MediaSelect MediaStop MediaTrackNext'),
  ...words('MediaTrackPrevious Power Sleep AudioVolumeDown AudioVolumeMute AudioVolumeUp WakeUp Abort Resume'),
  ...words('Suspend Again Copy Cut Find Open Paste Props Select Undo Hiragana Katakana'),
];

const INPUTS: readonly string[] = [...KEYS, ...BUTTONS, ...WHEELS, MOUSE_MOTION, ...DEVICE_INPUTS];
const known = new Set(INPUTS);

/** Common spellings that are not UI Events codes, and the codes that they mean. */
const ALIASES: Readonly<Record<string, string>> = {
  Ctrl: 'Control',
  Cmd: 'Meta',
  Command: 'Meta',
  Win: 'Meta',
  Option: 'Alt',
  Esc: 'Escape',
  Return: 'Enter',
  Del: 'Delete',
  Plus: 'Equal',
  RightMouse: 'MouseRight',
  LeftMouse: 'MouseLeft',
  MiddleMouse: 'MouseMiddle',
};

/** Whether all names of a binding are known. */
export function isKnown(binding: string): boolean {
  return binding.split('+').every((name) => known.has(name));
}

/** The nearest valid binding to one with an unknown name in it; null if all names are known. */
export function corrected(binding: string): string | null {
  const names = binding.split('+');
  if (isKnown(binding)) return null;
  return names.map((name) => (known.has(name) ? name : meant(name))).join('+');
}

function meant(name: string): string {
  if (/^[a-z]$/i.test(name)) return `Key${name.toUpperCase()}`;
  if (/^[0-9]$/.test(name)) return `Digit${name}`;
  const other = Object.keys(ALIASES).find((alias) => alias.toLowerCase() === name.toLowerCase());
  return (other === undefined ? nearest(name, INPUTS) : ALIASES[other]) ?? 'KeyW';
}
