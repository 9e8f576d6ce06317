/** The programs of the guide: one for each step, and one for each of its mistakes, which are differences to it. */
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { root } from './run.mjs';

const GUIDE = `${root}docs/guide/`;

/**
 * Returns the steps of the guide in their order.
 *
 * @returns {{ name: string, title: string, text: string, program: string, mistakes: { name: string, title: string, diff: string }[] }[]}
 */
export function stepsOfGuide() {
  return readdirSync(GUIDE)
    .map((file) => stepOf(file.replace('.md', ''), readFileSync(`${GUIDE}${file}`, 'utf8')))
    .filter(({ program }) => program !== '')
    .sort((a, b) => a.title.localeCompare(b.title));
}

function stepOf(name, text) {
  const [, title = ''] = /^# (\d+\. .+)$/m.exec(text) ?? [];
  const mistakes = [...text.matchAll(/^\*\*(.+?)\*\*.*?^```diff\n(.*?)^```/gms)];
  return {
    name,
    title,
    text,
    program: blockOf(text, name),
    mistakes: mistakes.map(([, mistake, diff], i) => ({
      name: `${name}-${i + 1}`,
      title: mistake.replaceAll('`', ''),
      diff,
    })),
  };
}

/** The guide and the reference as one text. */
export function guideText() {
  const reference = `${root}docs/reference/`;
  const steps = stepsOfGuide().map(({ text }) => text);
  const pages = readdirSync(reference).filter((file) => file.endsWith('.md') && file !== 'index.md');
  return [...steps, ...pages.map((file) => readFileSync(`${reference}${file}`, 'utf8'))].join('\n');
}

/** The drawing that all programs use. */
function mapOfGuide() {
  return blockOf(readFileSync(`${GUIDE}draw.md`, 'utf8'), 'map');
}

function blockOf(text, name) {
  return new RegExp(`^\`\`\`ts ${name}\\n(.*?)^\`\`\``, 'ms').exec(text)?.[1] ?? '';
}

/**
 * Returns a text with the differences: added lines stand in the place of the removed ones before them, or at the end.
 *
 * @returns null if a removed line is missing
 */
function changed(text, diff) {
  const lines = text.split('\n');
  for (const [, removed, added] of diff.matchAll(/((?:^-.*\n)*)((?:^\+.*\n)*)/gm)) {
    let at = lines.length;
    for (const line of codeOf(removed)) {
      at = lines.indexOf(line);
      if (at < 0) return null;
      lines.splice(at, 1);
    }
    lines.splice(at, 0, ...codeOf(added));
  }
  return lines.join('\n');
}

/** Lines without the sign of the difference and the space after it. */
function codeOf(lines) {
  return lines
    .split('\n')
    .slice(0, -1)
    .map((line) => line.slice(2));
}

/** Shows an error on the page, for readers who do not open the console. */
const ERRORS = `<script>
  addEventListener('error', ({ message }) => {
    const text = document.body.appendChild(document.createElement('pre'));
    text.style.cssText = 'position: fixed; inset: auto 0 0; margin: 0; padding: 8px; background: #b3261e; color: #fff; white-space: pre-wrap';
    text.textContent = message;
  });
</script>
`;

/**
 * Writes every program with a page of its own into a folder.
 *
 * @returns the names of the pages, without `.html`
 */
export function writePrograms(folder) {
  const html = /^```html\n(.*?)^```/ms.exec(readFileSync(`${root}packages/zesty-kite/README.md`, 'utf8'))?.[1] ?? '';
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  const map = mapOfGuide();
  writeFileSync(`${folder}/map.ts`, map);
  const names = [];
  const write = (name, program) => {
    writeFileSync(`${folder}/${name}.ts`, program);
    writeFileSync(
      `${folder}/${name}.html`,
      `<!doctype html>\n<title>${name}</title>\n${ERRORS}${html.replace('/main.ts', `./${name}.ts`)}`,
    );
    names.push(name);
  };
  for (const { name, program, mistakes } of stepsOfGuide()) {
    write(name, program);
    for (const mistake of mistakes) {
      const own = changed(program, mistake.diff);
      const drawing = own === null ? changed(map, mistake.diff) : map;
      if (drawing === null)
        throw new Error(`docs/guide/${name}.md: expected lines of the program in "${mistake.title}", got others.`);
      if (drawing !== map) writeFileSync(`${folder}/${mistake.name}.map.ts`, drawing);
      const drawn = drawing === map ? (own ?? program) : program.replaceAll("'./map'", `'./${mistake.name}.map'`);
      write(mistake.name, drawn);
    }
  }
  return names;
}
