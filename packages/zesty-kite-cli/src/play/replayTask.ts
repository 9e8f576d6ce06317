/** One session of many, in a thread of its own: what came of it, never a throw. */
import type { Settings, Terrain } from 'zesty-kite';
import { linesOf } from '../failure.ts';
import { readGround } from '../read/ground.ts';
import type { Row } from '../write/report.ts';
import { playSession } from './sessionFile.ts';

export interface ReplayTask {
  readonly session: string;
  readonly rate: number;
  /** Files. */
  readonly terrain: readonly string[];
  readonly settings?: Settings | undefined;
  readonly from?: number | undefined;
  readonly until?: number | undefined;
}

/** Ground that this thread has read already. */
const grounds = new Map<string, Promise<Terrain>>();

export async function replayTask({ session, terrain, ...options }: ReplayTask): Promise<Row> {
  try {
    const terrains = await Promise.all(
      terrain.map((file) => {
        const ground = grounds.get(file) ?? readGround(file);
        grounds.set(file, ground);
        return ground;
      }),
    );
    const { summary, broken, unfinishedLine } = await playSession(session, { ...options, terrains, isAnyGround: true });
    return { session, summary, broken, unfinishedLine, error: null };
  } catch (error) {
    return { session, summary: null, broken: [], unfinishedLine: null, error: linesOf(error).join('; ') };
  }
}
