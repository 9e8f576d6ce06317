/** A panel with every setting, made from the schema: names, ends, steps and texts need no list. */
import GUI, { type Controller } from 'lil-gui';
import type { Camera } from 'zesty-kite';
import { PlayerSettings, type OfferedSetting } from 'zesty-kite/players';
import type { Warning } from 'zesty-kite/review';
import schema from 'zesty-kite/settings.schema.json';
import type { Tuning } from './tuning.ts';

export interface Panel {
  /** Shows values as they are now, and what is warned of. */
  readonly show: (warnings: readonly Warning[]) => void;
}

/** Settings that say where and with what, not how it feels. */
const ELSEWHERE = ['start', 'bounds', 'bindings', 'wrap', 'locked', 'inverted'];

export function createPanel(
  place: HTMLElement,
  camera: Camera,
  tuning: Tuning,
  refuse: (error: unknown) => void,
): Panel {
  const gui = new GUI({ container: place, title: 'Settings' });
  const controllers = new Map<string, Controller>();
  const values: Record<string, unknown> = {};
  const paths = Object.entries(camera.settings).flatMap(([section, value]) =>
    ELSEWHERE.includes(section) || value === null
      ? []
      : typeof value === 'object'
        ? Object.keys(value).map((name) => `${section}.${name}`)
        : [section],
  );
  const { offered } = new PlayerSettings(camera, schema, Object.fromEntries(paths.map((path) => [path, {}])));
  const folders = new Map<string, GUI>();
  for (const item of offered) {
    const [section = '', name = section] = item.path.split('.');
    let folder = folders.get(section);
    if (folder === undefined) {
      folder = gui.addFolder(section).close();
      folders.set(section, folder);
    }
    values[item.path] = item.value;
    const controller = add(folder, values, item)?.name(name);
    if (controller === undefined) continue;
    controller.domElement.title = item.text;
    controller.onChange((value: unknown) => {
      try {
        tuning.set(item.path, value);
      } catch (error) {
        refuse(error);
      }
    });
    controllers.set(item.path, controller);
  }
  return {
    show: (warnings) => {
      const full = tuning.full as unknown as Record<string, Record<string, unknown> | undefined>;
      for (const [path, controller] of controllers) {
        const [section = '', name] = path.split('.');
        values[path] = name === undefined ? full[section] : full[section]?.[name];
        controller.updateDisplay();
        const warned = warnings.find((warning) => warning.path === path);
        controller.domElement.classList.toggle('warned', warned !== undefined);
      }
    },
  };
}

function add(
  folder: GUI,
  values: Record<string, unknown>,
  { path, kind, value, min, max, step, among }: OfferedSetting,
) {
  if (kind === 'number' && typeof value === 'number') {
    // A slider where its ends are near enough to be met.
    const slides = min !== undefined && max !== undefined && max - min <= 10;
    return slides ? folder.add(values, path, min, max, step ?? (max - min) / 200) : folder.add(values, path);
  }
  if (kind === 'switch') return folder.add(values, path);
  if (kind === 'choice' && among !== undefined) return folder.add(values, path, [...among]);
  return undefined;
}
