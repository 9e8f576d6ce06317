export { headerLine, signalLine, type SessionHeader } from './format.ts';
export { SessionReader, type SessionEnd } from './read.ts';
export { SessionError } from './sessionError.ts';
export { record, type Recording } from './record.ts';
export type { ReplaySummary } from './measures.ts';
export { Replay, type ReplayOptions } from './replay.ts';
