/** The endpoint that saves. It writes the named files and nothing else. */
import { timingSafeEqual } from 'node:crypto';
import { readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { dirname, join } from 'node:path';
import { edited, type FileEdit } from './edited.ts';
import { digestOf } from './moduleOf.ts';
import type { NamedFile } from './namedFile.ts';

/** Bounds with a coast of 100,000 corners fit. */
const MOST_BYTES = 8e6;

/** The path of a setting. */
const PATH = /^[a-z]\w*(\.[a-z]\w*)*$/i;

/** A request that is refused, with its status. */
class Refusal extends Error {
  readonly status: number;

  constructor(status: number, message: string) {
    super(message);
    this.status = status;
  }
}

interface Save {
  readonly file: string;
  readonly digest: string;
  readonly edits: readonly FileEdit[];
}

/** Answers with the new digest of the file, or with a message. */
export async function answerSave(
  request: IncomingMessage,
  response: ServerResponse,
  files: readonly NamedFile[],
  token: string,
): Promise<void> {
  try {
    checkSender(request, token);
    answer(response, 200, { digest: save(saveOf(await bodyOf(request)), files) });
  } catch (error) {
    const status = error instanceof Refusal ? error.status : 500;
    answer(response, status, { message: error instanceof Error ? error.message : String(error) });
  }
}

function answer(response: ServerResponse, status: number, body: object): void {
  response.writeHead(status, { 'content-type': 'application/json', 'cache-control': 'no-store' });
  response.end(JSON.stringify(body));
}

/** A page of another origin neither knows the token nor may send the header. @throws Refusal */
function checkSender({ method, headers }: IncomingMessage, token: string): void {
  if (method !== 'POST') throw new Refusal(405, `expected POST, got ${String(method)}`);
  const { origin, host, 'sec-fetch-site': site } = headers;
  if (origin !== undefined && hostOf(origin) !== host)
    throw new Refusal(403, `expected a page of ${String(host)}, got one of ${origin}`);
  if (site !== undefined && site !== 'same-origin') throw new Refusal(403, 'expected a page of this server');
  const given = headers['x-zesty-kite-token'];
  if (typeof given !== 'string' || !isSameText(given, token))
    throw new Refusal(403, 'expected the token of this server. Reload the page.');
  if (headers['content-type'] !== 'application/json') throw new Refusal(415, 'expected application/json');
}

/** Empty for an origin without a host, such as `null`. */
function hostOf(origin: string): string {
  return /^https?:\/\/([^/]+)$/.exec(origin)?.[1] ?? '';
}

function isSameText(one: string, other: string): boolean {
  const [a, b] = [Buffer.from(one), Buffer.from(other)];
  return a.length === b.length && timingSafeEqual(a, b);
}

/** @throws Refusal for a body that is too large */
async function bodyOf(request: IncomingMessage): Promise<string> {
  const tooLarge = new Refusal(413, `expected at most ${String(MOST_BYTES)} bytes`);
  if (Number(request.headers['content-length'] ?? 0) > MOST_BYTES) throw tooLarge;
  const parts: Buffer[] = [];
  let size = 0;
  for await (const part of request as AsyncIterable<Buffer>) {
    size += part.length;
    if (size > MOST_BYTES) throw tooLarge;
    parts.push(part);
  }
  return Buffer.concat(parts).toString('utf8');
}

/** @throws Refusal */
function saveOf(body: string): Save {
  const wrong = new Refusal(400, 'expected {file, digest, edits: [{path, value}]} as JSON');
  let value: unknown;
  try {
    value = JSON.parse(body);
  } catch {
    throw wrong;
  }
  if (typeof value !== 'object' || value === null) throw wrong;
  const { file, digest, edits } = value as Partial<Record<keyof Save, unknown>>;
  if (typeof file !== 'string' || typeof digest !== 'string' || !Array.isArray(edits)) throw wrong;
  if (!edits.every(isEdit)) throw wrong;
  return { file, digest, edits };
}

function isEdit(edit: unknown): edit is FileEdit {
  return (
    typeof edit === 'object' && edit !== null && 'path' in edit && typeof edit.path === 'string' && PATH.test(edit.path)
  );
}

/** Returns the digest of the new text. @throws Refusal; then the file is as it was */
function save({ file, digest, edits }: Save, files: readonly NamedFile[]): string {
  const named = files.find(({ name }) => name === file);
  if (named === undefined)
    throw new Refusal(404, `expected one of ${files.map(({ name }) => name).join(', ')}, got ${JSON.stringify(file)}`);
  let target;
  try {
    target = named.target();
  } catch (error) {
    throw new Refusal(403, error instanceof Error ? error.message : String(error));
  }
  const text = readFileSync(target, 'utf8');
  if (digestOf(text) !== digest)
    throw new Refusal(409, `${file} has changed since the page read it. Its edits come into the page; save again.`);
  const next = edited(file, text, edits);
  if (next !== text) replace(target, next);
  return digestOf(next);
}

/** The file is the old one or the new one, and never a part of one. */
function replace(target: string, text: string): void {
  const fresh = join(dirname(target), `.${String(process.pid)}-${String(Date.now())}.tmp`);
  try {
    writeFileSync(fresh, text, { flag: 'wx' });
    renameSync(fresh, target);
  } catch (error) {
    rmSync(fresh, { force: true });
    throw error;
  }
}
