/** Others' cameras: one's own is sent as few small records, theirs are shown smoothly. */
export { PoseReceiver, type PoseReceiverOptions } from './poseReceiver.ts';
export { PoseSender, type PoseSenderOptions } from './poseSender.ts';
export type { PoseNumbers, PoseRecord } from './record.ts';
