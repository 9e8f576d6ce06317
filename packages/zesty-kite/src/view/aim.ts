/** Aims a view. */
import { checkObject, checkView } from '../messages/index.ts';
import { canonical } from './copies.ts';
import type { Ground, Insets, PoseInput, Screen } from './pose.ts';
import { NO_INSETS } from './projection.ts';
import { FLAT, type View } from './view.ts';

type Aimed = { -readonly [K in keyof View]: View[K] };

/**
 * Aims a view at a pose. Use it for views without a camera: a minimap, a thumbnail, a test.
 *
 * ```ts
 * const thumbnail = new View();
 * aim(thumbnail, camera.shown, { width: 160, height: 100 });
 * ```
 *
 * @param screen CSS pixels, both above 0
 */
export function aim(
  view: View,
  pose: Readonly<PoseInput>,
  screen: Screen,
  ground: Ground = FLAT,
  insets: Insets = NO_INSETS,
): View {
  checkView('aim', view);
  checkObject('aim.pose', pose, 'a pose {x, y, span}');
  checkObject('aim.screen', screen, 'a size {width, height}');
  return aimAt(view, pose, screen, ground, insets);
}

/** The same without checks: for a view, a pose and a screen that the library made. */
export function aimAt(view: View, pose: Readonly<PoseInput>, screen: Screen, ground: Ground, insets: Insets): View {
  const aimed: Aimed = view;
  const { projection } = view;
  projection.frame(screen, insets.left, insets.top, insets.right, insets.bottom);
  aimed.x = canonical(pose.x, ground.periodX);
  aimed.y = canonical(pose.y, ground.periodY);
  aimed.focusHeight = pose.focusHeight ?? 0;
  aimed.span = pose.span;
  aimed.heading = pose.heading ?? 0;
  aimed.pitch = pose.pitch ?? 90;
  aimed.fieldOfView = pose.fieldOfView ?? 0;
  projection.turn(aimed);
  aimed.width = screen.width;
  aimed.height = screen.height;
  aimed.density = screen.density ?? 1;
  aimed.scale = projection.frameHeight / pose.span;
  aimed.ground = ground;
  return view;
}
