/** A camera path of another program, as the ground in its middle from time to time. */
import { parsedJson } from './files.ts';
import { posesOfCsv } from './csvPath.ts';
import { Failure } from '../failure.ts';
import { lensesOf, type Gltf, type LensAt } from './gltf.ts';
import { faultOf, type PathPose } from './pathPose.ts';

const DEGREES = 180 / Math.PI;
/** How far from level the picture may lean. */
const LEVEL = 1e-3;

/** @param height of the ground of a glTF camera, world units */
export async function pathOf(file: string, text: string, height: number): Promise<PathPose[]> {
  if (!text.trimStart().startsWith('{')) return posesOfCsv(text);
  const gltf = parsedJson(file, text, 'a glTF 2.0 file, or CSV') as Gltf;
  return (await lensesOf(gltf)).map((lens) => checkedPose(poseOf(lens, height)));
}

function checkedPose(pose: PathPose): PathPose {
  for (const [name, value] of Object.entries(pose) as [string, number][]) {
    const fault = name === 'at' && value >= 0 ? null : faultOf(name, value);
    if (fault !== null) throw new Failure(`at ${pose.at.toFixed(2)} s: ${name}: ${fault}`);
  }
  return pose;
}

/** The ground in the middle of a camera, and the span. */
function poseOf({ seconds, eye, turn, yfov, high }: LensAt, ground: number): PathPose {
  const [a, b, c, w] = turn;
  // The columns of its rotation: right, and backward.
  const rightUp = 2 * (a * b + w * c);
  const back = [2 * (a * c + w * b), 2 * (b * c - w * a), 1 - 2 * (a * a + b * b)] as const;
  if (Math.abs(rightUp) > LEVEL)
    throw new Failure(`at ${seconds.toFixed(2)} s: expected a level camera, got one with roll`);
  const up = eye[1] - ground;
  if (!(back[1] > 0.01 && up > 0))
    throw new Failure(
      `at ${seconds.toFixed(2)} s: expected a camera that looks down at the ground, got one that does not; set --height`,
    );
  const distance = up / back[1];
  const pitch = Math.asin(Math.min(1, back[1])) * DEGREES;
  // The right of the screen is (cos heading, sin heading) on the ground.
  const right = [1 - 2 * (b * b + c * c), 2 * (a * c - w * b)] as const;
  return {
    at: seconds,
    x: eye[0] - back[0] * distance,
    y: eye[2] - back[2] * distance,
    span: high ?? 2 * Math.tan((yfov ?? 1) / 2) * distance,
    heading: Math.atan2(right[1], right[0]) * DEGREES,
    pitch,
  };
}
