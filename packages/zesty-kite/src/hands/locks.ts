/** Locks: abilities that the settings take from the player. */
import type { FullSettings } from '../settings/index.ts';
import type { Intent } from './intent.ts';

/** Removes from intents what is locked. */
export function unlocked(intents: readonly Intent[], { locked }: FullSettings): Intent[] {
  if (locked.length === 0) return [...intents];
  const mayNot = { pan: locked.includes('pan'), turn: locked.includes('turn'), tilt: locked.includes('tilt') };
  return intents.flatMap((intent): Intent[] => {
    switch (intent.kind) {
      case 'zoom':
        if (locked.includes('zoom')) return [];
        // The focus stays where panning is locked.
        return [mayNot.pan ? { ...intent, anchor: 'focus' } : intent];
      case 'step':
        return [{ ...intent, turn: mayNot.turn ? 0 : intent.turn, tilt: mayNot.tilt ? 0 : intent.tilt }];
      case 'orbit':
        return [{ ...intent, turn: mayNot.turn ? 0 : intent.turn, tilt: mayNot.tilt ? 0 : intent.tilt }];
      case 'shift':
        return mayNot.pan ? [] : [intent];
      case 'home':
        return [];
      case 'hold':
      case 'steer':
        return [intent];
    }
  });
}

/** A pinch or a twist that is locked is switched off. */
export function withLocks(settings: FullSettings): FullSettings {
  const { twoFingers, locked } = settings;
  if (locked.length === 0) return settings;
  return {
    ...settings,
    twoFingers: {
      zoom: twoFingers.zoom && !locked.includes('zoom'),
      turn: twoFingers.turn && !locked.includes('turn'),
      tilt: twoFingers.tilt && !locked.includes('tilt'),
    },
  };
}
