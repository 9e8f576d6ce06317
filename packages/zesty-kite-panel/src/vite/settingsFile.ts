/** The plug-in for Vite: a page loads the settings file, follows edits of it, and saves to it. */
import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { moduleOf } from './moduleOf.ts';
import { NamedFile } from './namedFile.ts';
import { answerSave } from './save.ts';

type Next = () => void;

/** The parts of Vite's configuration that are used. */
interface Config {
  readonly root: string;
  readonly base: string;
  readonly command: 'serve' | 'build';
}

/** The parts of Vite's server that are used. */
interface Server {
  readonly middlewares: {
    use(
      handle: (request: IncomingMessage & { originalUrl?: string }, response: ServerResponse, next: Next) => void,
    ): unknown;
  };
}

/** The parts of a hook's `this` that are used. */
interface Resolving {
  resolve(source: string, importer: string | undefined, options: object): Promise<{ readonly id: string } | null>;
}

interface Graph<Module> {
  readonly environment: { readonly moduleGraph: { getModuleById(id: string): Module | undefined } };
}

/** A plug-in, for the list of plug-ins of Vite's configuration. */
export interface SettingsFilePlugin {
  /** The name that Vite prints. */
  readonly name: string;
  /** Puts the plugin before those that read JSON. */
  readonly enforce: 'pre';
}

/** As Vite calls it. */
interface Hooks extends SettingsFilePlugin {
  readonly configResolved: (config: Config) => void;
  readonly configureServer: (server: Server) => void;
  resolveId(this: Resolving, source: string, importer: string | undefined, options: object): Promise<string | null>;
  readonly load: (id: string) => string | null;
  hotUpdate<Module>(
    this: Graph<Module>,
    update: { readonly file: string; readonly modules: Module[] },
  ): Module[] | undefined;
}

export interface SettingsFileOptions {
  /** From the root of the project, such as `src/camera.json`; one or several. It may have comments. */
  readonly file: string | readonly string[];
}

/** The module of a file. It does not end with `.json`: Vite would read it as JSON. */
const moduleName = ({ name }: NamedFile): string => `\0zesty-kite-panel:${name}/settings`;

/** The path of the endpoint, below the base of the server. */
const ENDPOINT = '@zesty-kite-panel/save';

/**
 * Lets a page load a settings file that may have comments. While Vite serves, edits of the file flow into the running page, and the
 * panel saves to it. A build has the settings alone.
 *
 * ```ts
 * export default defineConfig({ plugins: [settingsFile({ file: 'src/camera.json' })] });
 * ```
 *
 * @throws TypeError for a file that is not below the root
 */
export function settingsFile({ file }: SettingsFileOptions): SettingsFilePlugin {
  const names = typeof file === 'string' ? [file] : file;
  const token = randomBytes(24).toString('base64url');
  let files: readonly NamedFile[] = [];
  let address: string | null = null;
  const hooks: Hooks = {
    name: 'zesty-kite-panel',
    enforce: 'pre',
    configResolved: ({ root, base, command }) => {
      files = names.map((name) => new NamedFile(root, name));
      address = command === 'serve' ? `${base}${ENDPOINT}` : null;
    },
    configureServer: ({ middlewares }) => {
      middlewares.use((request, response, next) => {
        // With the base, whether or not the server has taken it off by now.
        if ((request.originalUrl ?? request.url) === address) void answerSave(request, response, files, token);
        else next();
      });
    },
    async resolveId(source, importer, options) {
      if (!files.some(({ name }) => source.split('/').at(-1) === name.split('/').at(-1))) return null;
      const resolved = await this.resolve(source, importer, { ...options, skipSelf: true });
      const named = files.find(({ path }) => path === resolved?.id);
      return named === undefined ? null : moduleName(named);
    },
    load: (id) => {
      const named = files.find((file) => id === moduleName(file));
      if (named === undefined) return null;
      return moduleOf(named, readFileSync(named.path, 'utf8'), address === null ? null : { address, token });
    },
    hotUpdate({ file }) {
      const named = files.find(({ path }) => path === file);
      const edited = named && this.environment.moduleGraph.getModuleById(moduleName(named));
      return edited && [edited];
    },
  };
  return hooks;
}
