/**
 * The direction of the arrows between the folders of the library: who may import from whom, and
 * only through the other folder's index.ts; and no circle, inside a folder neither. Drawn in docs/architecture.md.
 */
import { circleThrough, importsOf } from './imports.js';

const MAY_IMPORT = {
  math: [],
  messages: [],
  ground: ['math', 'messages'],
  view: ['ground', 'math', 'messages'],
  devices: ['math', 'messages'],
  settings: ['devices', 'math', 'messages'],
  limits: ['math', 'settings', 'view'],
  polygons: ['limits', 'math', 'messages', 'settings', 'view'],
  signals: ['devices', 'ground', 'math', 'messages', 'settings', 'view'],
  motion: ['ground', 'limits', 'math', 'settings', 'signals', 'view'],
  movers: ['math', 'motion', 'signals', 'view'],
  hands: ['devices', 'math', 'settings', 'signals', 'view'],
  'calls.ts': ['messages', 'settings', 'signals', 'view'],
  'reports.ts': ['messages'],
  camera: [
    'calls.ts',
    'devices',
    'ground',
    'hands',
    'limits',
    'messages',
    'motion',
    'movers',
    'reports.ts',
    'settings',
    'signals',
    'cameraLike.ts',
    'view',
  ],
  abilities: ['camera', 'motion', 'signals'],
  session: ['camera', 'direct', 'ground', 'math', 'messages', 'motion', 'polygons', 'settings', 'signals', 'view'],
  review: ['ground', 'limits', 'math', 'messages', 'motion', 'polygons', 'settings', 'view'],
  three: ['math', 'messages', 'view'],
  canvas: ['math', 'messages', 'settings', 'view'],
  css: ['messages', 'view'],
  pixi: ['math', 'messages', 'view'],
  'cameraLike.ts': ['calls.ts', 'settings', 'signals', 'view'],
  dom: ['devices', 'hands', 'math', 'messages', 'reports.ts', 'settings', 'signals', 'cameraLike.ts', 'view'],
  worker: [
    'calls.ts',
    'camera',
    'direct',
    'hands',
    'limits',
    'messages',
    'reports.ts',
    'settings',
    'signals',
    'cameraLike.ts',
    'view',
  ],
  direct: [
    'abilities',
    'camera',
    'limits',
    'math',
    'messages',
    'motion',
    'reports.ts',
    'settings',
    'signals',
    'cameraLike.ts',
    'view',
  ],
  events: ['camera', 'hands', 'limits', 'math', 'messages', 'motion', 'reports.ts', 'signals', 'view'],
  feels: ['settings'],
  minimap: ['direct', 'dom', 'limits', 'math', 'messages', 'polygons', 'settings', 'cameraLike.ts', 'view'],
  players: ['camera', 'messages', 'review', 'settings'],
  react: ['camera', 'dom', 'messages', 'settings', 'view'],
  simulation: ['camera', 'messages', 'settings', 'signals', 'view'],
  others: ['camera', 'math', 'messages', 'settings', 'cameraLike.ts', 'view'],
  overlay: ['camera', 'hands', 'messages', 'view'],
  'index.ts': ['camera', 'ground', 'motion', 'settings', 'signals', 'cameraLike.ts', 'view'],
};

/** The one package that the library may import. */
const PACKAGES = { settings: ['valibot'] };

let imports;

export const arrows = {
  meta: { type: 'problem', schema: [] },
  create(context) {
    const inside = context.filename.replaceAll('\\', '/').split('/packages/zesty-kite/src/')[1];
    if (inside === undefined) return {};
    const [room, ...rest] = inside.split('/');
    const depth = rest.length;
    imports ??= importsOf(context.filename.replaceAll('\\', '/').slice(0, -inside.length - 1));

    const check = (node) => {
      if (!node.source) return;
      const from = node.source.value;
      const report = (message) => context.report({ node: node.source, message });
      if (!from.startsWith('.')) {
        if (!(PACKAGES[room] ?? []).includes(from))
          report(`${room} may import no package${PACKAGES[room] ? ` but ${PACKAGES[room]}` : ''}.`);
        return;
      }
      const path = new URL(from, `file:///${inside}`).pathname.slice(1);
      const [target, ...file] = path.split('/');
      const circle = circleThrough(imports, inside, path);
      if (circle) report(`A circle: ${circle.join(' → ')}.`);
      if (depth > 0 && target === room) {
        if (file.join('/') === 'index.ts') report('Import from the file itself inside its own folder.');
        return;
      }
      if (!(room in MAY_IMPORT)) report(`${room} has no place in scripts/lint/arrows.js.`);
      else if (!MAY_IMPORT[room].includes(target)) report(`The arrow from ${room} to ${target} is not in the plan.`);
      if (file.length > 0 && file.join('/') !== 'index.ts') report(`Import through ${target}/index.ts.`);
    };
    return { ImportDeclaration: check, ExportNamedDeclaration: check, ExportAllDeclaration: check };
  },
};
