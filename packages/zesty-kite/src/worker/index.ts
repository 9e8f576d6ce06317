export type { Port } from './messages.ts';
export { receiveSignals } from './receiveSignals.ts';
export { RemoteCamera } from './remoteCamera.ts';
