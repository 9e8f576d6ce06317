/** Every setting, as the JSON Schema of settings describes it. */
import schema from 'zesty-kite/settings.schema.json' with { type: 'json' };

export type Kind =
  | 'number'
  | 'switch'
  | 'choice'
  | 'names'
  | 'inputs'
  | 'by-zoom'
  | 'span'
  | 'list'
  | 'group'
  | 'other';

export interface Setting {
  /** Such as `zoom.halfLife`. */
  readonly path: string;
  /** The first part of the path. */
  readonly section: string;
  /** The rest of it, or all of a path of one part. */
  readonly name: string;
  readonly text: string;
  readonly kind: Kind;
  /** Null is one of its values. */
  readonly isNullable: boolean;
  /** Of a choice, and of a list of names. */
  readonly among: readonly string[];
  /** Of a number; empty without one. */
  readonly unit: string;
  /** The allowed range of a number. */
  readonly allowed: readonly [minimum: number, maximum: number];
  /** The useful range; null if it depends on the world. */
  readonly useful: readonly [minimum: number, maximum: number] | null;
}

interface Node {
  readonly type?: string;
  readonly properties?: Readonly<Record<string, Node>>;
  readonly anyOf?: readonly Node[];
  readonly enum?: readonly string[];
  readonly items?: Node | false;
  readonly prefixItems?: readonly Node[];
  readonly minimum?: number;
  readonly maximum?: number;
  readonly title?: string;
  readonly description?: string;
  readonly $defs?: Readonly<Record<string, Node>>;
}

const ROOT = schema as Node;

/** All of them, in the order of the schema; a group that can be null stands before its members. */
export const LISTED: readonly Setting[] = membersOf(ROOT, ROOT.$defs?.['useful'], '');

/** Settings by path. */
export const BY_PATH: ReadonlyMap<string, Setting> = new Map(LISTED.map((setting) => [setting.path, setting]));

export const SECTIONS: readonly string[] = [...new Set(LISTED.map(({ section }) => section))];

function membersOf(node: Node, useful: Node | undefined, above: string): Setting[] {
  return Object.entries(node.properties ?? {}).flatMap(([key, child]) => {
    if (key.startsWith('$')) return [];
    const path = above + key;
    const own = settingOf(path, child, useful?.properties?.[key]);
    const group = own.kind === 'group' ? choicesOf(child).find(({ properties }) => properties) : undefined;
    if (group === undefined) return [own];
    const members = membersOf(group, useful?.properties?.[key], `${path}.`);
    return own.isNullable ? [own, ...members] : members;
  });
}

function settingOf(path: string, node: Node, useful: Node | undefined): Setting {
  const [section = '', ...rest] = path.split('.');
  const choices = choicesOf(node);
  const names = choices.find((one) => one.enum)?.enum;
  const items = choices.map((one) => (one.items === false ? undefined : one.items?.enum)).find(Boolean);
  const number = choices.find(({ type }) => type === 'number');
  return {
    path,
    section,
    name: rest.length === 0 ? section : rest.join('.'),
    text: node.description ?? '',
    kind: kindOf(path, choices),
    isNullable: choices.some(({ type }) => type === 'null'),
    among: names ?? items ?? [],
    unit: useful?.title ?? '',
    allowed: [number?.minimum ?? -Infinity, number?.maximum ?? Infinity],
    useful: useful?.minimum === undefined ? null : [useful.minimum, useful.maximum ?? useful.minimum],
  };
}

/** A schema as a list of choices. */
function choicesOf(node: Node): readonly Node[] {
  return node.anyOf?.flatMap(choicesOf) ?? [node];
}

function kindOf(path: string, choices: readonly Node[]): Kind {
  const has = (test: (node: Node) => unknown): boolean => choices.some((node) => Boolean(test(node)));
  if (has(({ items }) => items && items.prefixItems) && has(({ type }) => type === 'number')) return 'by-zoom';
  if (has(({ properties }) => properties && 'pixelsPerUnit' in properties)) return 'span';
  if (path === 'bounds.area' || path === 'bounds.polygon') return 'other';
  if (path.startsWith('bindings.')) return 'inputs';
  if (has(({ items }) => items && items.enum)) return 'names';
  if (has(({ items }) => items && items.type === 'number')) return 'list';
  if (has(({ properties }) => properties)) return 'group';
  if (has((node) => node.enum)) return 'choice';
  if (has(({ type }) => type === 'boolean')) return 'switch';
  return has(({ type }) => type === 'number') ? 'number' : 'other';
}
