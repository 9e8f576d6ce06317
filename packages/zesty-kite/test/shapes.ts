/** A camera that knows bounds of every shape. */
import { Camera as Bare, checkSettings as check, type CameraOptions, type Settings } from '../src/index.ts';
import { polygons } from '../src/polygons/index.ts';

const shapes = [polygons];

export type Camera = Bare;
export const Camera = class extends Bare {
  constructor(settings?: Settings | readonly Settings[], options?: CameraOptions) {
    // Random settings often begin outside of their zoom range.
    super(settings, { shapes, report: () => undefined, ...options });
  }
};

export const checkSettings = (settings: unknown): ReturnType<typeof check> => check(settings, { shapes });
