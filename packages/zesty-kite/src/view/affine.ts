/** The transform from a level plane to the screen. */
import { refuseRange } from '../messages/index.ts';
import type { Affine, Pose } from './pose.ts';
import type { Viewpoint } from './projection.ts';

/** Sets `out` to the transform from the plane of a height to CSS pixels. */
export function fillAffine(
  view: Viewpoint & Pick<Pose, 'fieldOfView' | 'pitch'> & { readonly scale: number },
  out: Affine,
  height: number,
): Affine {
  const { projection, scale, span } = view;
  const { sinHeading, cosHeading, sinPitch, cosPitch } = projection;
  if (projection.invFocal > 0 && cosPitch !== 0)
    refuseRange(
      'affine',
      `a field of view of ${String(view.fieldOfView)} at a pitch of ${String(view.pitch)}`,
      'an orthographic lens, or a pitch of 90',
    );
  const rise = height - view.focusHeight;
  const shrunk = scale / (1 - (projection.invFocal * rise * sinPitch) / span);
  out.a = cosHeading * shrunk;
  out.b = -sinHeading * sinPitch * shrunk;
  out.c = sinHeading * shrunk;
  out.d = cosHeading * sinPitch * shrunk;
  out.e = projection.middleX - view.x * out.a - view.y * out.c;
  out.f = projection.middleY - view.x * out.b - view.y * out.d - rise * cosPitch * shrunk;
  return out;
}
