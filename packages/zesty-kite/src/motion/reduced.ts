/** For players who want less motion: nothing eases or glides, and what moves by held keys stops at once. */
import type { FullSettings } from '../settings/index.ts';

/** The settings that motion goes by. The focus height still follows the ground smoothly: it would jump with every hill. */
export function inForce(settings: FullSettings): FullSettings {
  if (!settings.reducedMotion) return settings;
  const { zoom, turn, pan, drag, pitch, lens, safeFrame, bounds } = settings;
  const halfLife = 0;
  return {
    ...settings,
    zoom: { ...zoom, halfLife },
    turn: { ...turn, halfLife },
    pan: { ...pan, startHalfLife: 0, stopHalfLife: 0 },
    drag: { ...drag, glideHalfLife: 0 },
    pitch: { ...pitch, halfLife },
    lens: { ...lens, halfLife },
    safeFrame: { ...safeFrame, halfLife },
    bounds: bounds && { ...bounds, returnHalfLife: 0 },
  };
}
