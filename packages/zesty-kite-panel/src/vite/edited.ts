/** Edits of JSON text that keep its comments and its form. */
import { applyEdits, modify, type FormattingOptions } from 'jsonc-parser';
import { parsed } from './moduleOf.ts';

/** The value at a path such as `pan.speed`; without a value the path is removed. */
export interface FileEdit {
  readonly path: string;
  readonly value?: unknown;
}

/** Lists longer than this have a line for each item, characters. */
const LONGEST = 100;

/**
 * Returns text with some values changed. Nothing else of it changes: neither comments, nor the order, nor the indents.
 *
 * @throws Error for text that is no JSON
 */
export function edited(name: string, text: string, edits: readonly FileEdit[]): string {
  parsed(name, text);
  const formattingOptions = formOf(text);
  return edits.reduce((before, { path, value }) => {
    const steps = path.split('.');
    if (value === undefined) return applyEdits(before, modify(before, steps, undefined, { formattingOptions }));
    // The formatter would give every number of a list a line of its own: it places a mark, and the value replaces the mark.
    const mark = markNotIn(before);
    const marked = applyEdits(before, modify(before, steps, mark, { formattingOptions }));
    const at = marked.indexOf(JSON.stringify(mark));
    const indent = /[ \t]*$/.exec(marked.slice(0, marked.indexOf('"', lineStart(marked, at))))?.[0] ?? '';
    return marked.slice(0, at) + written(value, indent, formattingOptions) + marked.slice(at + mark.length + 2);
  }, text);
}

function lineStart(text: string, at: number): number {
  return text.lastIndexOf('\n', at) + 1;
}

function markNotIn(text: string): string {
  let mark = 'value';
  while (text.includes(mark)) mark += '-';
  return mark;
}

/** The indents and the line ends of a text. */
function formOf(text: string): FormattingOptions {
  const [, indent = '  '] = /\n([ \t]+)\S/.exec(text) ?? [];
  const insertSpaces = !indent.startsWith('\t');
  return { insertSpaces, tabSize: insertSpaces ? indent.length : 1, eol: text.includes('\r\n') ? '\r\n' : '\n' };
}

/** A value on one line, or with a line for each item. */
function written(value: unknown, indent: string, form: FormattingOptions): string {
  const line = onOneLine(value);
  if (line.length <= LONGEST || typeof value !== 'object' || value === null) return line;
  const { insertSpaces = true, tabSize = 2, eol = '\n' } = form;
  const inner = indent + (insertSpaces ? ' '.repeat(tabSize) : '\t');
  const isList = Array.isArray(value);
  const items = isList
    ? value.map((item) => written(item, inner, form))
    : Object.entries(value).map(([key, item]) => `${JSON.stringify(key)}: ${written(item, inner, form)}`);
  const [open, close] = isList ? '[]' : '{}';
  return `${open ?? ''}${eol}${items.map((item) => inner + item).join(`,${eol}`)}${eol}${indent}${close ?? ''}`;
}

function onOneLine(value: unknown): string {
  if (typeof value !== 'object' || value === null) return JSON.stringify(value);
  if (Array.isArray(value)) return `[${value.map(onOneLine).join(', ')}]`;
  const items = Object.entries(value).map(([key, item]) => `${JSON.stringify(key)}: ${onOneLine(item)}`);
  return items.length === 0 ? '{}' : `{ ${items.join(', ')} }`;
}
