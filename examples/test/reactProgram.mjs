/** The guide's recipe for React as a program: what it imports, what it is, and what shows it in strict mode. */
import { readFileSync } from 'node:fs';

const GUIDE = readFileSync(new URL('../../docs/reference/view.md', import.meta.url), 'utf8');

export function reactProgram() {
  const [, recipe] = /### React[^]*?```tsx\n([^]*?)```/.exec(GUIDE) ?? [];
  if (recipe === undefined) throw new Error('docs/reference/view.md: expected a program for React, got none');
  return program(recipe);
}

const program = (recipe) => `
import * as React from 'react';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Camera, type Settings } from 'zesty-kite';
import { createDrawing } from 'zesty-kite/canvas';
import { cameraHook as made } from 'zesty-kite/react';
const cameras: Camera[] = [];
const counts = { frames: 0 };
const cameraHook = (react: typeof React) => {
  const hook = made(react);
  return (settings: Settings, show: Parameters<typeof hook>[1]) => {
    const one = hook(settings, (canvas, camera) => {
      const draw = show(canvas, camera);
      return (view) => {
        counts.frames += 1;
        draw(view);
      };
    });
    if (!cameras.includes(one.camera)) cameras.push(one.camera);
    return one;
  };
};
${recipe}
const root = createRoot(document.getElementById('root')!);
const show = (speed: number | null) =>
  root.render(<StrictMode>{speed === null ? null : <Map settings={{ start: { span: 300 }, pan: { speed } }} />}</StrictMode>);
Object.assign(globalThis, { cameras, counts, show });
show(1);
`;
