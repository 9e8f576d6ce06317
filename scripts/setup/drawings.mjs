/** Drawings for the reference of the settings: a curve and a switch by zoom, a half-life, the curve of a stick. */
import { root } from './run.mjs';

const { valueAtSpan } = await import(`${root}packages/zesty-kite/dist/review.js`);

const WIDTH = 420;
const HEIGHT = 200;
const [LEFT, TOP, RIGHT, BOTTOM] = [56, 16, 404, 160];

/** @returns SVG files by their names */
export function drawings() {
  const spans = samples(0, 1).map((share) => 30 * 40 ** share);
  const pitch = (degrees) => spans.map((span, i) => [i / (spans.length - 1), (valueAtSpan(degrees, span) - 30) / 50]);
  const stick = (push) => Math.max(0, (push - 0.15) / 0.85) ** 2;
  return {
    'by-zoom': drawing(
      'span, from near to far',
      'pitch',
      ['30°', '80°'],
      ['30', '1200'],
      [
        pitch([
          [60, 40],
          [600, 70],
        ]),
        pitch({ near: 40, far: 70, at: 300 }),
      ],
    ),
    'half-life': drawing(
      'half-lives',
      'done',
      ['0', '1'],
      ['0', '5'],
      [samples(0, 5).map((t) => [t / 5, 1 - 2 ** -t])],
      [1, 2, 3].map((t) => [t / 5, 1 - 2 ** -t]),
    ),
    stick: drawing(
      'push of the stick',
      'speed',
      ['0', '1'],
      ['0', '1'],
      [samples(0, 1).map((push) => [push, stick(push)])],
    ),
  };
}

function samples(from, to) {
  return Array.from({ length: 121 }, (_, i) => from + ((to - from) * i) / 120);
}

/** Lines from (0, 0) at the lower left to (1, 1) at the upper right. */
function drawing(across, up, ups, acrosses, lines, points = []) {
  const x = (share) => (LEFT + share * (RIGHT - LEFT)).toFixed(1);
  const y = (share) => (BOTTOM - share * (BOTTOM - TOP)).toFixed(1);
  const colours = ['#1b6d79', '#f26b3a'];
  const text = (at, words, anchor = 'middle') =>
    `<text x="${at[0]}" y="${at[1]}" text-anchor="${anchor}" font-family="sans-serif" font-size="12" fill="#555">${words}</text>`;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${HEIGHT}" width="${WIDTH}" height="${HEIGHT}">`,
    `<rect width="${WIDTH}" height="${HEIGHT}" fill="#fff"/>`,
    `<path d="M${LEFT} ${TOP}V${BOTTOM}H${RIGHT}" fill="none" stroke="#999"/>`,
    ...lines.map(
      (line, i) =>
        `<path d="M${line.map(([a, b]) => `${x(a)} ${y(b)}`).join('L')}" fill="none" stroke="${colours[i]}" stroke-width="2"/>`,
    ),
    ...points.map(([a, b]) => `<circle cx="${x(a)}" cy="${y(b)}" r="3.5" fill="#f26b3a"/>`),
    text([(LEFT + RIGHT) / 2, HEIGHT - 10], across),
    text([LEFT, HEIGHT - 24], acrosses[0]),
    text([RIGHT, HEIGHT - 24], acrosses[1]),
    text([LEFT - 8, BOTTOM], ups[0], 'end'),
    text([LEFT - 8, TOP + 8], ups[1], 'end'),
    text([LEFT + 8, TOP + 8], up, 'start'),
    '</svg>',
    '',
  ].join('\n');
}
