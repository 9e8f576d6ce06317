/** The guide's recipe for React as a program: what it imports, what it is, and what shows it in strict mode. */
import { readFileSync } from 'node:fs';

const GUIDE = readFileSync(new URL('../../docs/guide.md', import.meta.url), 'utf8');

export function reactProgram() {
  const [, recipe] = /\*\*React:\*\*[^]*?```tsx\n([^]*?)```/.exec(GUIDE) ?? [];
  if (recipe === undefined) throw new Error('docs/guide.md: found no recipe for React; wanted one');
  return program(recipe);
}

const program = (recipe) => `
import { StrictMode, useEffect, useRef } from 'react';
import { createRoot } from 'react-dom/client';
import { Camera as Made, type CameraOptions, type Settings } from 'zesty-kite';
import { createDrawing } from 'zesty-kite/canvas';
import { listen } from 'zesty-kite/dom';
const cameras: Made[] = [];
class Camera extends Made {
  frames = 0;
  constructor(settings: Settings, options: CameraOptions) {
    super(settings, options);
    cameras.push(this);
  }
  override advance(time: number) {
    this.frames += 1;
    return super.advance(time);
  }
}
${recipe}
const root = createRoot(document.getElementById('root')!);
const show = (span: number | null) =>
  root.render(<StrictMode>{span === null ? null : <Kept span={span} />}</StrictMode>);
const settings = { 300: { start: { span: 300 } }, 200: { start: { span: 200 } } };
const Kept = ({ span }: { span: number }) => <Map settings={settings[span as 300]} />;
Object.assign(globalThis, { cameras, show });
show(300);
`;
