/** Draws the rooms of the library and the arrows between them, from its imports: docs/rooms.svg. `--check` only compares. */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import dagre from '@dagrejs/dagre';
import { importsOf } from './lint/imports.js';
import { root, stop } from './setup/run.mjs';

const DRAWING = `${root}docs/rooms.svg`;
/** The purpose of each room. A room that is missing here stops the drawing. */
const FOR = {
  'index.ts': 'the public face',
  'reports.ts': 'receivers of errors',
  camera: 'which signal takes effect when, and the frame',
  abilities: 'what an ability of a game needs',
  'cameraLike.ts': 'what devices and programs need of a camera',
  'calls.ts': 'the calls of a program, a signal each',
  events: 'what a camera tells of',
  direct: 'the program moves the camera',
  worker: 'a page steers a camera elsewhere',
  session: 'recording, replaying, measuring',
  dom: 'an element → signals',
  feels: 'named sets of easing',
  minimap: 'a small map that steers',
  css: 'elements, SVG and labels on the ground',
  pixi: 'aims containers of that package',
  others: 'cameras of other players',
  players: 'what players may change',
  overlay: 'what a camera goes by, drawn',
  react: 'one camera for a component',
  simulation: 'hands for the tests of a game',
  review: 'settings that are allowed and feel wrong',
  three: 'a view on a camera of the three package',
  canvas: 'a 2D canvas, ready for a frame',
  hands: 'signals → intents',
  signals: 'what comes in: one table of kinds',
  motion: 'kept values along the grid of time',
  movers: 'what moves by itself',
  devices: 'a device a file: its signal, its inputs',
  polygons: 'bounds that are polygons',
  limits: 'where the focus is kept, how large a view fits',
  settings: 'one schema: types, defaults, checks',
  view: 'a pose on a screen → picks, matrices',
  ground: 'heights',
  math: 'what every engine rounds alike',
  messages: 'what a message says of a value',
};
const FONT = 'font-family="Helvetica, Arial, sans-serif"';

const arrows = new Map(Object.keys(FOR).map((room) => [room, new Set()]));
for (const [file, imports] of importsOf(`${root}packages/zesty-kite/src`)) {
  const from = roomOf(file);
  for (const target of imports) if (roomOf(target) !== from) arrows.get(from).add(roomOf(target));
}

const graph = new dagre.graphlib.Graph().setGraph({
  rankdir: 'TB',
  nodesep: 26,
  ranksep: 46,
  marginx: 16,
  marginy: 16,
});
graph.setDefaultEdgeLabel(() => ({}));
for (const [room, what] of Object.entries(FOR))
  graph.setNode(room, { width: 24 + Math.max(room.length * 9, what.length * 6.3), height: 46 });
// An arrow that follows from others would only make it harder to see them.
for (const [from, targets] of arrows)
  for (const to of targets)
    if (![...targets].some((other) => other !== to && leads(other, to))) graph.setEdge(from, to);
dagre.layout(graph);

const { width, height } = graph.graph();
const n = (value) => String(Math.round(value * 10) / 10);
const edges = graph.edges().map((edge) => {
  const [first, ...others] = graph.edge(edge).points;
  const way = others.map(({ x, y }) => `L${n(x)} ${n(y)}`).join('');
  return `<path d="M${n(first.x)} ${n(first.y)}${way}" fill="none" stroke="#5b6b73" stroke-width="1.4" marker-end="url(#head)"/>`;
});
const nodes = graph.nodes().map((room) => {
  const { x, y, width: wide, height: high } = graph.node(room);
  return `<g transform="translate(${n(x)} ${n(y)})"><rect x="${n(-wide / 2)}" y="${n(-high / 2)}" width="${n(wide)}" height="${n(high)}" rx="7" fill="#fdf6dc" stroke="#b58a1b"/><text y="-4" text-anchor="middle" font-size="15" font-weight="bold" fill="#20323a">${room}</text><text y="14" text-anchor="middle" font-size="12" fill="#40525a">${FOR[room]}</text></g>`;
});
const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${n(width)} ${n(height)}" width="${n(width)}" height="${n(height)}" ${FONT}>
<title>The rooms of the library, and who imports whom</title>
<defs><marker id="head" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="7" markerHeight="7" orient="auto"><path d="M0 0L8 4L0 8z" fill="#5b6b73"/></marker></defs>
<rect width="100%" height="100%" fill="#ffffff"/>
${[...edges, ...nodes].join('\n')}
</svg>
`;
if (!process.argv.includes('--check')) writeFileSync(DRAWING, svg);
else if (!existsSync(DRAWING) || readFileSync(DRAWING, 'utf8') !== svg)
  stop('docs/rooms.svg: is not what the imports say; run `npm run drawing`.');

function roomOf(file) {
  const room = file.split('/')[0];
  if (!(room in FOR)) stop(`scripts/drawing.mjs: knows no room "${room}"; say what it is for.`);
  return room;
}

/** Whether arrows lead from one room to another. */
function leads(from, to) {
  return arrows.get(from).has(to) || [...arrows.get(from)].some((next) => leads(next, to));
}
