/** Edits of JSON text that keep its comments, its order and its form. */
import { findNodeAtLocation, parseTree, type Node } from 'jsonc-parser';
import { parsed } from './moduleOf.ts';

/** The value at a path such as `pan.speed`; without a value the path is removed. */
export interface FileEdit {
  readonly path: string;
  readonly value?: unknown;
}

/** A piece of text in place of another. */
interface Piece {
  readonly from: number;
  readonly to: number;
  readonly text: string;
}

/** The indents and the line ends of a text. */
interface Form {
  readonly indent: string;
  readonly eol: string;
}

/** Lists longer than this have a line for each item, characters. */
const LONGEST = 100;

/**
 * Returns text with some values changed. Nothing else of it changes.
 *
 * @throws Error for text that is no object in JSON
 */
export function edited(name: string, text: string, edits: readonly FileEdit[]): string {
  const form = formOf(text);
  return edits.reduce((before, { path, value }) => {
    parsed(name, before);
    const root = parseTree(before, [], { allowTrailingComma: true });
    if (root?.type !== 'object') throw new Error(`${name}: expected an object`);
    const pieces =
      value === undefined ? removal(before, root, path) : change(before, root, path.split('.'), value, form);
    return pieces
      .toSorted((one, other) => other.from - one.from)
      .reduce((whole, piece) => whole.slice(0, piece.from) + piece.text + whole.slice(piece.to), before);
  }, text);
}

function change(text: string, root: Node, path: readonly string[], value: unknown, form: Form): Piece[] {
  const there = findNodeAtLocation(root, [...path]);
  if (there !== undefined) return [replaced(text, there, value, form)];
  // The deepest part of the path that is there takes the rest of it.
  let length = path.length - 1;
  let parent = findNodeAtLocation(root, path.slice(0, length));
  while (parent === undefined) parent = findNodeAtLocation(root, path.slice(0, --length));
  const rest = path.slice(length);
  const inside = rest.slice(1).reduceRight<unknown>((below, key) => ({ [key]: below }), value);
  // A null, or a list, becomes an object.
  if (parent.type !== 'object') return [replaced(text, parent, { [rest[0] ?? '']: inside }, form)];
  return insertion(text, parent, rest[0] ?? '', inside, form);
}

function replaced(text: string, { offset, length }: Node, value: unknown, form: Form): Piece {
  return { from: offset, to: offset + length, text: written(value, indentAt(text, offset), form) };
}

/** A new property after the last one: on a line of its own if that one has one. */
function insertion(
  text: string,
  { offset, length, parent, children = [] }: Node,
  key: string,
  value: unknown,
  form: Form,
): Piece[] {
  const last = children.at(-1);
  const inner = last === undefined ? indentAt(text, offset) + form.indent : indentAt(text, last.offset);
  const property = `${JSON.stringify(key)}: ${written(value, inner, form)}`;
  if (last === undefined) {
    const at = offset + 1;
    if (text.slice(at, offset + length - 1).trim() !== '')
      return [{ from: at, to: at, text: `${form.eol}${inner}${property}` }];
    const padded = parent === undefined ? `${form.eol}${inner}${property}${form.eol}` : ` ${property} `;
    return [{ from: at, to: offset + length - 1, text: padded }];
  }
  const end = last.offset + last.length;
  const comma = commaAfter(text, end);
  const isOwnLine = text.slice(offset, last.offset).includes('\n');
  if (!isOwnLine) return [{ from: end, to: end, text: `, ${property}` }];
  // A comment on the line of the last property stays beside it.
  const lineEnd = endOfLine(text, comma ?? end);
  const added = { from: lineEnd, to: lineEnd, text: `${form.eol}${inner}${property}${comma === null ? '' : ','}` };
  return comma === null ? [added, { from: end, to: end, text: ',' }] : [added];
}

/** Takes a property away, and one comma. */
function removal(text: string, root: Node, path: string): Piece[] {
  const property = findNodeAtLocation(root, path.split('.'))?.parent;
  const siblings = property?.parent?.children;
  if (property === undefined || siblings === undefined) return [];
  const index = siblings.indexOf(property);
  const previous = siblings[index - 1];
  const end = property.offset + property.length;
  const comma = commaAfter(text, end);
  const own = lineOf(text, property.offset, comma === null ? end : comma + 1);
  if (comma !== null) return [own];
  // The last one: the comma before it goes.
  const before = previous === undefined ? null : commaAfter(text, previous.offset + previous.length);
  return before === null ? [own] : [{ from: before, to: before + 1, text: '' }, own];
}

/** A part of a text, with its whole line if nothing else is on it; else with the blanks after it. */
function lineOf(text: string, from: number, to: number): Piece {
  const start = text.lastIndexOf('\n', from - 1) + 1;
  const [blanks = ''] = /^[ \t]*/.exec(text.slice(to)) ?? [];
  const isAlone = text.slice(start, from).trim() === '' && /^[ \t]*(\r?\n|$)/.test(text.slice(to)) && start > 0;
  if (!isAlone) return { from, to: to + blanks.length, text: '' };
  const next = text.indexOf('\n', to);
  return { from: start, to: next < 0 ? text.length : next + 1, text: '' };
}

/** Blanks, line ends and comments. */
const BETWEEN = /(?:\s+|\/\/[^\n]*|\/\*[^]*?\*\/)*/y;
/** The same up to the end of the line, with a comma. */
const REST_OF_LINE = /(?:[ \t,]|\/\/[^\r\n]*|\/\*(?:(?!\*\/)[^\r\n])*\*\/)*/y;

/** The position of the comma after a value; null if another token follows. */
function commaAfter(text: string, end: number): number | null {
  const at = after(BETWEEN, text, end);
  return text[at] === ',' ? at : null;
}

/** The end of the line of a value, with its comma and comment; or of the object, if that is first. */
function endOfLine(text: string, from: number): number {
  return after(REST_OF_LINE, text, from);
}

function after(pattern: RegExp, text: string, from: number): number {
  pattern.lastIndex = from;
  return from + (pattern.exec(text)?.[0].length ?? 0);
}

function formOf(text: string): Form {
  const [, indent = '  '] = /\n([ \t]+)\S/.exec(text) ?? [];
  return { indent, eol: text.includes('\r\n') ? '\r\n' : '\n' };
}

/** The blanks at the beginning of a line. */
function indentAt(text: string, at: number): string {
  const start = text.lastIndexOf('\n', at - 1) + 1;
  return /^[ \t]*/.exec(text.slice(start, at))?.[0] ?? '';
}

/** A value on one line, or with a line for each item. */
function written(value: unknown, indent: string, form: Form): string {
  const line = onOneLine(value);
  if (line.length <= LONGEST || typeof value !== 'object' || value === null) return line;
  const inner = indent + form.indent;
  const items = Array.isArray(value)
    ? value.map((item) => written(item, inner, form))
    : Object.entries(value).map(([key, item]) => `${JSON.stringify(key)}: ${written(item, inner, form)}`);
  const [open = '', close = ''] = Array.isArray(value) ? ['[', ']'] : ['{', '}'];
  return [open, ...items.map((item, i) => `${inner}${item}${i < items.length - 1 ? ',' : ''}`), indent + close].join(
    form.eol,
  );
}

function onOneLine(value: unknown): string {
  if (typeof value !== 'object' || value === null) return JSON.stringify(value);
  if (Array.isArray(value)) return `[${value.map(onOneLine).join(', ')}]`;
  const items = Object.entries(value).map(([key, item]) => `${JSON.stringify(key)}: ${onOneLine(item)}`);
  return items.length === 0 ? '{}' : `{ ${items.join(', ')} }`;
}
