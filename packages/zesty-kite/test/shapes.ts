/** A camera that knows bounds of every shape. */
import { Camera as Bare, checkSettings as check, type CameraOptions, type Settings } from '../src/index.ts';
import { polygons } from '../src/polygons/index.ts';

const shapes = [polygons];

export type Camera = Bare;
export const Camera = class extends Bare {
  constructor(settings?: Settings | readonly Settings[], options?: CameraOptions) {
    super(settings, { shapes, ...options });
  }
};

export const checkSettings = (settings: unknown): ReturnType<typeof check> => check(settings, { shapes });
