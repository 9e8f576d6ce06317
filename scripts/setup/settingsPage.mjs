/** The reference of the settings: one entry each, from the JSON Schema. */
import { root } from './run.mjs';
import { objectOf, valuesOf } from './schema.mjs';

const { checkSettings } = await import(`${root}packages/zesty-kite/dist/index.js`);
const { polygons } = await import(`${root}packages/zesty-kite/dist/polygons.js`);
const { feels } = await import(`${root}packages/zesty-kite/dist/feels.js`);

/** Examples that show more than a computed one. */
const EXAMPLES = {
  'start.span': { pixelsPerUnit: 2 },
  'home.span': 400,
  'start.focusHeight': 0,
  'home.focusHeight': 0,
  'pitch.degrees': [
    [60, 40],
    [600, 70],
  ],
  'lens.fieldOfView': { near: 40, far: 25, at: 300 },
  'lens.distance': 800,
  'pan.speed': [
    [60, 0.7],
    [600, 1.2],
  ],
  'ground.lowest': -20,
  'ground.highest': 60,
  'turn.min': -45,
  'turn.max': 45,
  'zoom.minSpan': 24,
  'zoom.maxSpan': { eyeHeight: 400 },
  'zoom.stops': [1, 2, 3, 4],
  'bounds.polygon': [
    [0, 0],
    [900, 80],
    [700, 700],
  ],
  'bounds.left': 0,
  'bounds.top': 0,
  'bounds.right': 1024,
  'bounds.bottom': 768,
  'bounds.circle': { x: 512, y: 384, radius: 400 },
  'bounds.area': {
    type: 'Polygon',
    coordinates: [
      [
        [0, 0],
        [900, 80],
        [700, 700],
        [0, 0],
      ],
    ],
  },
  'turn.stops': { step: 90, offset: 45 },
  'edge.sideSpeeds': { top: 0.5 },
  'wrap.x': 1024,
  'wrap.y': 768,
  'edge.width': 0.04,
  locked: ['pan', 'zoom'],
  inverted: ['wheel'],
};
const DRAWN = {
  'pitch.degrees': ['A curve through two stops, and a switch', 'by-zoom'],
  'zoom.halfLife': ['Half of the rest is done in each half-life', 'half-life'],
  'pad.curve': ['The speed of a stick with a dead zone of 0.15 and a curve of 2', 'stick'],
};
const RECTANGLE = { left: 0, top: 0, right: 1024, bottom: 768 };
const step = (title, file) => `Step: [${title}](../guide/${file}.md)`;
/** The step of the guide, or the page, that explains a section. */
const STEPS = {
  home: 'See [calls](calls.md)',
  ground: 'See [terrain](terrain.md)',
  pitch: step('Turn', 'turn'),
  lens: step('Turn', 'turn'),
  turn: step('Turn', 'turn'),
  pan: step('Pan', 'pan'),
  edge: step('Pan', 'pan'),
  zoom: step('Zoom', 'zoom'),
  drag: step('Drag', 'drag'),
  twoFingers: step('Drag', 'drag'),
  bounds: step('Limits', 'limits'),
  wrap: 'See [bounds](bounds.md)',
  safeFrame: step('Panels', 'panels'),
  resize: 'See [looks](looks.md#the-size-of-the-screen)',
  wheel: 'See [steering](steering.md#wheel)',
  pad: 'See [steering](steering.md#pads)',
  bindings: 'See [steering](steering.md#bindings)',
};
/** Groups that are one setting with their members. */
const WHOLE = new Set(['bounds.circle', 'bounds.area', 'turn.stops', 'edge.sideSpeeds']);

export function settingsPage(schema) {
  const lines = [
    '# Settings',
    '',
    'Settings are plain JSON. The package contains their JSON Schema, for editors:',
    '',
    '```json',
    '{ "$schema": "./node_modules/zesty-kite/dist/settings.schema.json", "zoom": { "minSpan": 24, "maxSpan": 768 } }',
    '```',
    '',
    'A camera and `checkSettings` reject wrong settings, all of them at once:',
    '',
    '```',
    refusal(),
    '```',
    '',
    '`camera.change({ pan: { speed: 1.5 } })` changes the named settings while the camera lives. `undefined` counts as left out.',
    '',
    'Settings come in layers. Objects are merged key by key; lists are replaced:',
    '',
    '```ts',
    'const camera = new Camera([tiles({ width: 64, height: 32 }), game, player]);',
    'const asOne = mergeSettings(tiles({ width: 64, height: 32 }), game, player); // the same, to store or to show',
    '```',
    '',
    `The feels ${Object.keys(feels)
      .map((name) => `\`${name}\``)
      .join(', ')} of \`zesty-kite/feels\` are layers, too. [Units](units.md) converts your numbers.`,
    '',
  ];
  for (const [name, section] of Object.entries(schema.properties)) {
    if (name === '$schema') continue;
    lines.push(`## ${name}`, '', ...(name in STEPS ? [STEPS[name], ''] : []));
    const object = objectOf(section);
    if (object === null || object === undefined) lines.push(...entry(name, section, schema));
    else {
      lines.push(section.description, '');
      if (section.anyOf) lines.push(...facts(section), '');
      for (const [path, node] of members(object, name)) lines.push(`### ${path}`, '', ...entry(path, node, schema));
    }
  }
  return lines.join('\n');
}

function members(object, path) {
  return Object.entries(object.properties).flatMap(([name, node]) => {
    const at = `${path}.${name}`;
    const inner = objectOf(node);
    return inner && !WHOLE.has(at) && Object.keys(inner.properties).length > 0 && !isUnit(inner)
      ? members(inner, at)
      : [[at, node]];
  });
}

function isUnit({ properties }) {
  return 'pixelsPerUnit' in properties || 'near' in properties;
}

function entry(path, node, schema) {
  const drawing = DRAWN[path];
  return [
    node.description,
    '',
    ...facts(node),
    `- Example: \`${JSON.stringify(nested(path, exampleOf(path, node, schema)))}\``,
    '',
    ...(drawing ? [`![${drawing[0]}](drawn/${drawing[1]}.svg)`, ''] : []),
  ];
}

function facts(node) {
  const fallback = node.default === undefined ? 'not set' : `\`${JSON.stringify(node.default)}\``;
  const may = objectOf(node)
    ? `a group${node.anyOf ? ', or null' : ''}: ${Object.keys(objectOf(node).properties).join(', ')}`
    : valuesOf(node);
  // Braces outside code are attributes to the generator of the site.
  return [`- Default: ${fallback}`, `- Values: ${may.replaceAll(/\{[^}]*\}/g, '`$&`')}`];
}

/** An allowed value that is not the default. */
function exampleOf(path, node, schema) {
  if (path in EXAMPLES) return EXAMPLES[path];
  if (objectOf(node)) return {};
  if (path.startsWith('bindings.')) return inputFor(path, node.default);
  const { type, enum: names, anyOf, default: fallback } = node;
  const choices = names ?? anyOf?.find((one) => one.enum)?.enum;
  if (choices) return choices.find((name) => name !== fallback);
  if (type === 'boolean' || anyOf?.some((one) => one.type === 'boolean')) return fallback !== true;
  return numberFor(path, fallback, schema);
}

/** Another input than those of the default. */
function inputFor(path, fallback) {
  const others = {
    drag: 'MouseRight',
    orbit: 'Alt+MouseLeft',
    pull: 'MouseMiddle',
    dragTurn: 'Alt+MouseMotion',
    dragZoom: 'Alt+MouseRight',
  };
  const name = path.split('.').at(-1);
  return name in others ? [others[name]] : [...(fallback ?? []).slice(0, 1), 'KeyK'];
}

/** A number in the useful range: the default times 1.5, or a middle of the range. */
function numberFor(path, fallback, schema) {
  const useful = path.split('.').reduce((node, key) => node?.properties?.[key], schema.$defs.useful) ?? {};
  const { minimum, maximum } = useful;
  const inside = (value) => Math.min(Math.max(value, minimum ?? -Infinity), maximum ?? Infinity);
  if (typeof fallback === 'number' && fallback !== 0) {
    const more = inside(Number((fallback * 1.5).toPrecision(2)));
    return more === fallback ? inside(Number((fallback / 2).toPrecision(2))) : more;
  }
  if (minimum !== undefined && maximum !== undefined)
    return Number(((minimum + maximum) / 2).toPrecision(2)) || Number((maximum / 2).toPrecision(2));
  return 100;
}

/** Settings with one value, and what it needs beside it. @throws SettingsError if the example is not allowed */
function nested(path, value) {
  const settings = path.split('.').reduceRight((inner, key) => ({ [key]: inner }), value);
  const needs =
    path.startsWith('bounds.') && !/circle|polygon|area/.test(path)
      ? { bounds: { ...RECTANGLE, ...settings.bounds } }
      : {};
  checkSettings(
    { ...settings, ...needs, ...(path === 'zoom.maxSpan' && { lens: { fieldOfView: 30 } }) },
    { shapes: [polygons] },
  );
  return settings;
}

/** The error for two mistakes. */
function refusal() {
  try {
    checkSettings({ zoom: { notch: -3 }, zooom: {} });
    return '';
  } catch (error) {
    return `SettingsError: ${error.message}`;
  }
}
