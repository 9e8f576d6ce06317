/** The reference: every public function has a first sentence and an example, and all examples compile. */
import { mkdirSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import ts from 'typescript';
import { typeErrorsIn } from '../../../../scripts/setup/typeCheck.mjs';

const workspace = new URL('../../../../', import.meta.url).pathname;
const source = join(workspace, 'packages/zesty-kite/src');
const project = join(workspace, '.cache/reference');

/** Fields of signals and lines of session files: one line explains each. */
const SHORT = /^(devices\/fields|session\/format)\.ts$/;

/** Files with exports for the library only, some of them named as public types. */
const INSIDE = /^(motion|limits)\/|scratch|worstEdge|strokes|dom\/gameDrag|polygons\/rings/;

/** The things of a game that examples use. */
const GAME = `
import type { Container, Sprite } from 'pixi.js';
import type { PerspectiveCamera, WebGLRenderer } from 'three';
import schema from 'zesty-kite/settings.schema.json';
declare const time: number;
declare const file: string;
declare const out: undefined;
declare const heights: number[];
declare const bounds: { left: number; top: number; right: number; bottom: number };
declare const game: Settings;
declare const player: Settings;
declare const settings: Settings;
declare const terrain: Terrain;
declare const canvas: HTMLCanvasElement;
declare const context: CanvasRenderingContext2D;
declare const gl: WebGL2RenderingContext;
declare const location: WebGLUniformLocation;
declare const element: HTMLElement;
declare const group: SVGGElement;
declare const path: SVGPathElement;
declare const worker: Worker;
declare const socket: WebSocket;
declare const barge: { x: number; y: number; afloat: boolean; sprite: Sprite };
declare const barges: { x: number; y: number }[];
declare const towers: { box: Box }[];
declare const sprite: Sprite;
declare const container: Container;
declare const ground: Container;
declare const perspective: PerspectiveCamera;
declare const renderer: WebGLRenderer;
declare const camera: Camera;
declare const view: View;
declare const listening: Listening;
declare const circling: Mover<MovedCamera, Part, { kind: 'circle'; rate: number; pause: number }>;
declare const event: PointerEvent;
declare function drawSoon(): void;
declare function drawTile(column: number, row: number): void;
declare function drawHouse(): void;
declare function drawBarge(): void;
declare function openDialog(): void;
declare function paint(context: CanvasRenderingContext2D): void;
`;

interface Documented {
  readonly name: string;
  readonly file: string;
  readonly text: string;
  readonly examples: readonly string[];
}

/** Every exported function and class of the library, with its documentation. */
function documented(): Documented[] {
  const files = readdirSync(source, { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith('.ts'));
  return files.flatMap((file) => {
    const code = readFileSync(join(source, file), 'utf8');
    const tree = ts.createSourceFile(file, code, ts.ScriptTarget.Latest, true);
    return tree.statements.flatMap((node) => {
      if (!(ts.isFunctionDeclaration(node) || ts.isClassDeclaration(node)) || node.name === undefined) return [];
      const isExported = node.modifiers?.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword) ?? false;
      if (!isExported || INSIDE.test(file)) return [];
      const text = ts
        .getJSDocCommentsAndTags(node)
        .filter(ts.isJSDoc)
        .map((doc) => doc.getText().replaceAll(/^\s*\*? ?/gm, ''))
        .join('\n');
      const examples = [...text.matchAll(/```ts\n(.*?)```/gs)].map(([, example = '']) => example);
      return [{ name: node.name.text, file, text, examples }];
    });
  });
}

/** The names that each entry exports, from the reports in docs/interface. */
function exported(): Map<string, string> {
  const folder = join(workspace, 'docs/interface');
  const names = new Map<string, string>();
  for (const file of readdirSync(folder)) {
    if (file.startsWith('zesty-kite-panel')) continue;
    const entry = file.replace('.md', '').replace('.', '/');
    const text = readFileSync(join(folder, file), 'utf8');
    for (const [, name = ''] of text.matchAll(
      /^export (?:declare )?(?:abstract )?(?:class|function|const|interface|type) (\w+)/gm,
    ))
      if (!names.has(name) || entry === 'zesty-kite') names.set(name, entry);
  }
  return names;
}

test('each public function begins with a sentence and has an example', () => {
  const entries = exported();
  const all = documented().filter(({ name }) => entries.has(name));
  expect(all.length).toBeGreaterThan(75);
  const lacking = all.filter(
    ({ file, text }) => !/^\/\*\*\s*[A-Z][^]*?\./.test(text) || (!text.includes('```ts') && !SHORT.test(file)),
  );
  expect(lacking.map(({ file, name }) => `${file} ${name}`)).toEqual([]);
});

test('every example of the reference compiles', () => {
  rmSync(project, { recursive: true, force: true });
  mkdirSync(project, { recursive: true });
  symlinkSync(join(workspace, 'node_modules'), join(project, 'node_modules'));
  const entries = exported();
  let count = 0;
  for (const { name, examples } of documented().filter((one) => entries.has(one.name)))
    for (const [i, example] of examples.entries()) {
      const prelude = GAME.split('\n');
      const imports = example.split('\n').filter((line) => line.startsWith('import '));
      const body = example
        .split('\n')
        .filter((line) => !line.startsWith('import '))
        .join('\n');
      const used = new Set(`${GAME}\n${body}`.match(/\b[A-Za-z]\w+\b/g));
      // A name that the example declares itself is its own.
      const own = new Set(
        [...body.matchAll(/\b(?:const|function|let) (?:\{ ([^}]*) \}|\[?(\w+))/g)].flatMap(
          ([, list, one]) => list?.split(', ') ?? [one],
        ),
      );
      const needed = [...used].filter(
        (one) => entries.has(one) && !own.has(one) && !imports.some((line) => line.includes(one)),
      );
      const named = needed.map((one) => `import { ${one} } from '${entries.get(one) ?? ''}';`);
      const declared = prelude.filter(
        (line) => !imports.some((one) => one.includes('schema') && line.includes('schema')),
      );
      writeFileSync(
        join(project, `${name}${i}.ts`),
        `${[...imports, ...named].join('\n')}\n${declared.join('\n')}\nexport async function example() {\n${body}\n}\n`,
      );
      count += 1;
    }
  expect(count).toBeGreaterThan(65);
  expect(typeErrorsIn(project, '*.ts')).toBe('');
}, 60_000);
