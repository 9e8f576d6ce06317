/**
 * Counts what breaks the voice of the texts, in Markdown and in comments: sentences that begin with What, Who or
 * Where, `where` for a condition, archaisms, and error messages in another form than "expected …, got …".
 */
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { root, stop } from '../setup/run.mjs';

/** The most that may be there: names and quotations need some. */
const MOST = { beginnings: 11, conditions: 14, archaisms: 0, messages: 0, dodges: 0 };

const BEGINNING = /(?:^|[.;:!?]\s+)(?:What|Whatever|Who|Whoever|Where|Wherever)\b(?!\b[^.]*\?)/gm;
const CONDITION =
  /\b(?:null|nothing|none|NaN|empty|zero|0) where\b|\bwhere (?:there (?:is|are)|no |nothing |none )|\bwhere (?:it|they) (?:may|can|cannot|does|do|has|have)\b/g;
const ARCHAISM = /\b(?:anew|for ever|to and fro|by so many|whether or no)\b/g;
const MESSAGE = /['`](?:[^'`\n]*: )?found [^'`\n]*; wanted\b|; wanted \$?\{?/g;
const DODGE = /(?:^|[.!?]\s+)(?:That which|Anything that|Those that|The thing that)\b/gm;

const files = execFileSync('git', ['ls-files', '*.md', 'packages/*/src/*', 'packages/*/bin/*', 'examples', 'scripts'], {
  cwd: root,
  encoding: 'utf8',
})
  .split('\n')
  .filter(
    (file) => /\.(md|ts|js|mjs|vue)$/.test(file) && !/docs\/interface\/|scripts\/lint\/words|\/test\//.test(file),
  );

const found = { beginnings: [], conditions: [], archaisms: [], messages: [], dodges: [] };
for (const file of files) {
  const text = readFileSync(`${root}${file}`, 'utf8');
  const prose = file.endsWith('.md') ? proseOf(text) : commentsOf(text);
  note(file, 'beginnings', prose.match(BEGINNING));
  note(file, 'conditions', prose.match(CONDITION));
  note(file, 'archaisms', prose.match(ARCHAISM));
  note(file, 'dodges', prose.match(DODGE));
  if (!file.endsWith('.md')) note(file, 'messages', text.match(MESSAGE));
}
const broken = Object.entries(found).filter(([name, places]) => places.length > MOST[name]);
if (broken.length > 0)
  stop(
    broken
      .map(
        ([name, places]) => `${name}: expected at most ${MOST[name]}, got ${places.length}:\n  ${places.join('\n  ')}`,
      )
      .join('\n'),
  );

function note(file, name, matches) {
  for (const match of matches ?? []) found[name].push(`${file}: ${match.trim()}`);
}

/** Markdown without code and tables of what ends what; a list item and a cell begin a sentence. */
function proseOf(text) {
  return text
    .replace(/^```.*?^```/gms, '')
    .replace(/`[^`]*`/g, 'code')
    .replace(/^\s*(?:[-*>]|\d+\.)\s+/gm, '')
    .replace(/ \| +/g, '\n');
}

/** The comments of code, each paragraph on a line. */
function commentsOf(text) {
  const comments = text.match(/\/\*\*?.*?\*\/|(?<=^|\s)\/\/ [^\n]*/gs) ?? [];
  return comments
    .map((comment) =>
      comment
        .replace(/^\/\*\*?\s*|\s*\*\/$/g, '')
        .replace(/^\s*\*\s?/gm, '')
        .replace(/^\/\/ /, ''),
    )
    .map((comment) => comment.replace(/([^\n])\n(?=[^\n@-])/g, '$1 ').replace(/^@\w+ (?:\w+ )?/gm, ''))
    .join('\n');
}
