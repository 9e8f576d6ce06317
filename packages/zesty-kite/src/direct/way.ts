/** The way of a journey: its ends, its path, and what was planned. */
import { norm } from '../math/index.ts';
import type { Span } from '../settings/index.ts';
import type { Cause, Motion } from '../motion/index.ts';
import type { Ease } from './ease.ts';
import { shortestPath, StraightPath, type Path } from './path.ts';

/** The destination. Fields that are left out stay as they are. */
export interface Destination {
  /** The focus, world units. */
  readonly x?: number | undefined;
  readonly y?: number | undefined;
  /** The height of the point at x and y that is to show in the middle; on the ground when left out. */
  readonly height?: number | undefined;
  /** World units from the top to the bottom of the safe frame, or another unit: `{ pixelsPerUnit: 2 }`. */
  readonly span?: Span | undefined;
  /** Degrees clockwise; the short way there is taken. */
  readonly heading?: number | undefined;
  /** Degrees below the horizon. */
  readonly pitch?: number | undefined;
}

/** How a journey ended. */
export interface Arrival {
  /**
   * `arrived`; `interrupted` by steering or a call; `replaced` by another journey; `ended` by the program; or `refused`, because
   * a finger held the ground when it was to begin.
   */
  readonly outcome: 'arrived' | 'interrupted' | 'replaced' | 'ended' | 'refused';
  /** The cause that interrupted it: a row of the table of what ends what, such as `drag` or `notch`. */
  readonly by: Cause | null;
  /** The limits that changed the destination. It is the nearest allowed one. */
  readonly limitedBy: readonly ('bounds' | 'zoom' | 'turn' | 'tilt')[];
  /** How fast the picture moved at the fastest moment, as planned: screen heights per second; 0 for a cut. */
  readonly peakSpeed: number;
}

/** An end of the way. */
export interface Stage {
  /** The raw focus: bounds are applied on the way. */
  readonly x: number;
  readonly y: number;
  readonly span: number;
  readonly heading: number;
  readonly pitch: number;
  readonly fieldOfView: number;
  /** Degrees that are added to the curves of pitch and lens. */
  readonly tilt: number;
  readonly lensOffset: number;
  /** The sides of the switches by zoom. */
  readonly pitchFar: boolean;
  readonly lensFar: boolean;
}

export function stageOf(motion: Motion): Stage {
  const { focus, span, heading, pitch, fieldOfView } = motion;
  return {
    x: focus.rawX,
    y: focus.rawY,
    span,
    heading,
    pitch,
    fieldOfView,
    tilt: pitch - motion.curvePitch(span),
    lensOffset: fieldOfView - motion.fieldOfViewAt(span),
    pitchFar: motion.tilt.isFar,
    lensFar: motion.lens.isFar,
  };
}

/** The way: straight, or the shortest below a farthest span. */
export interface Course {
  readonly isStraight: boolean;
  readonly maxSpan: number;
}

export function pathOf({ isStraight, maxSpan }: Course, from: Stage, to: Stage): Path {
  const goX = to.x - from.x;
  const goY = to.y - from.y;
  const distance = norm(goX, goY);
  return isStraight
    ? new StraightPath(distance, from.span, to.span)
    : shortestPath(distance, from.span, to.span, maxSpan);
}

/** A share of a path, and how far the picture has moved there in screen heights, by turns. */
export type Lengths = readonly number[];

/** The way from one stage to another. */
export interface Way {
  readonly path: Path;
  readonly from: Stage;
  readonly to: Stage;
  /** The wanted span, as it was at the beginning: a panel or another screen changes it. */
  readonly wantedSpan: number;
}

/** A journey as it was planned: it does not change, so frames share it. */
export interface Plan extends Way {
  readonly id: number;
  readonly course: Course;
  readonly lengths: Lengths;
  readonly ease: Ease;
  readonly seconds: number;
  readonly limitedBy: Arrival['limitedBy'];
  readonly peakSpeed: number;
}
