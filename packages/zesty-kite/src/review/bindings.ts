/** Bindings that are in each other's way. */
import { checkMade } from '../messages/index.ts';
import type { FullSettings } from '../settings/index.ts';
import type { Warning } from './warning.ts';

/**
 * Returns a warning for each input that two abilities share.
 *
 * ```ts
 * for (const { path, message } of bindingWarnings(camera.settings)) console.log(path, message);
 * ```
 */
export function bindingWarnings(settings: Readonly<Pick<FullSettings, 'bindings'>>): Warning[] {
  checkMade('bindingWarnings.settings', settings, 'bindings', 'settings with bindings');
  const { bindings } = settings;
  const asked = Object.entries(bindings).flatMap(([ability, inputs]) =>
    inputs.map((input, i) => ({ ability, input, path: `bindings.${ability}[${String(i)}]` })),
  );
  const clashes = asked.flatMap(({ ability, input, path }, i) => {
    const other = asked.slice(0, i).find((one) => one.ability !== ability && areSame(one.input, input));
    if (other === undefined) return [];
    return [
      {
        path,
        message: `"${input}" is also bound to ${other.ability} and does both; use another input for one of them`,
      },
    ];
  });
  return clashes;
}

/** A modifier without a side is either of its sides; in which order the others are held does not matter. */
function areSame(one: string, other: string): boolean {
  const names = one.split('+');
  const others = other.split('+');
  if (names.length !== others.length || !isSame(names.at(-1), others.at(-1))) return false;
  return names.slice(0, -1).every((name) => others.slice(0, -1).some((another) => isSame(name, another)));
}

function isSame(name = '', other = ''): boolean {
  return name === other || isSideOf(name, other) || isSideOf(other, name);
}

function isSideOf(name: string, modifier: string): boolean {
  return (
    ['Shift', 'Control', 'Alt', 'Meta'].includes(modifier) && [`${modifier}Left`, `${modifier}Right`].includes(name)
  );
}
