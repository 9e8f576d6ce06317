export { headerLine, signalLine, type SessionHeader } from './format.ts';
export { SessionError, SessionReader, type SessionEnd } from './read.ts';
export { record, type Recording } from './record.ts';
export { Replay, type ReplayOptions, type ReplaySummary } from './replay.ts';
