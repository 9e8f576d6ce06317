/** In Node: hands and a cutscene are recorded, and the recording plays again. */
import { Camera } from 'zesty-kite';
import { play } from 'zesty-kite/direct';
import { record, Replay, SessionReader } from 'zesty-kite/session';
import { SimulatedPlayer } from 'zesty-kite/simulation';

const camera = new Camera({ start: { span: 300 } });
const recording = record(camera);
const player = new SimulatedPlayer(camera);
player.hold('KeyD', 0.5);
player.drag({ from: { x: 600, y: 400 }, to: { x: 300, y: 350 } });
play(camera, { keyframes: [{ at: 1, x: 0, y: 0, span: { pixelsPerUnit: 4 } }] });
player.settle();

const reader = new SessionReader();
const signals = reader.push(recording.text());
const replay = new Replay(reader.end().header);
for (const signal of signals) replay.push(signal);
const { digest } = replay.end();
const { x, y, span } = replay.camera.shown;
console.log(JSON.stringify({ digest, again: { x, y, span }, shown: camera.shown }));
