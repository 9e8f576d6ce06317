/** The other kind of the 3D package's renderer, with each of its backends: points show where the view says. */
import { describe, expect, test } from '@jest/globals';
import { launch, libraryScript } from './browser.ts';

const SOFTWARE_GPU = ['--enable-unsafe-webgpu', '--enable-features=Vulkan', '--use-webgpu-adapter=swiftshader'];

describe.each([
  { backend: 'WebGL 2', forceWebGL: true, args: [] },
  { backend: 'WebGPU', forceWebGL: false, args: SOFTWARE_GPU },
])('by $backend', ({ backend, forceWebGL, args }) => {
  test('what stands on the ground shows where the view says, by both lenses, beside an inset', async () => {
    const browser = await launch(args);
    const page = await browser.newPage();
    // From a server: WebGPU wants one.
    await page.goto(process.env['EXAMPLES_URL'] ?? '');
    await page.addScriptTag(libraryScript());
    await page.addScriptTag({ path: process.env['NEW_RENDERER_SCRIPT'] ?? '' });
    const seen = await page.evaluate(async (isForced) => {
      const three = newRenderer;
      const [width, height] = [320, 240];
      const drawn = new three.WebGPURenderer({ forceWebGL: isForced, antialias: false });
      await drawn.init();
      const target = new three.RenderTarget(width, height);
      drawn.setRenderTarget(target);
      const spots = [
        { x: 480, y: 360 },
        { x: 540, y: 380 },
        { x: 505, y: 420 },
      ];
      const off: number[] = [];
      for (const fieldOfView of [null, 50]) {
        const camera = new zesty.Camera(
          {
            start: { x: 512, y: 384, span: 160, heading: 30 },
            pitch: { degrees: 55 },
            lens: { fieldOfView },
            safeFrame: { left: 60 },
          },
          { screen: { width, height } },
        );
        const view = camera.advance(0);
        const lens = fieldOfView === null ? new three.OrthographicCamera() : new three.PerspectiveCamera();
        zesty.aimThree(view, lens);
        for (const { x, y } of spots) {
          const scene = new three.Scene();
          scene.background = new three.Color(0x000000);
          const mark = new three.Mesh(
            new three.PlaneGeometry(4, 4).rotateX(-Math.PI / 2),
            new three.MeshBasicMaterial({ color: 0x00ff00 }),
          );
          mark.position.set(x, 0, y);
          scene.add(mark);
          drawn.render(scene, lens);
          const pixels = await drawn.readRenderTargetPixelsAsync(target, 0, 0, width, height);
          let [count, right, down] = [0, 0, 0];
          for (let row = 0; row < height; row++)
            for (let column = 0; column < width; column++) {
              if ((pixels[(row * width + column) * 4 + 1] ?? 0) < 100) continue;
              count += 1;
              right += column + 0.5;
              down += row + 0.5;
            }
          const at = view.toScreen(x, y);
          // Of what WebGL draws, the lowest row is read first.
          const fromTop = isForced ? height - down / count : down / count;
          off.push(Math.hypot(right / count - at.x, fromTop - at.y));
        }
      }
      const { isWebGPUBackend = false } = drawn.backend as { isWebGPUBackend?: boolean };
      return { isWebGPUBackend, off };
    }, forceWebGL);
    await browser.close();
    expect(seen.isWebGPUBackend).toBe(backend === 'WebGPU');
    expect(seen.off).toHaveLength(6);
    // The middle of a few pixels.
    for (const pixels of seen.off) expect(pixels).toBeLessThan(1);
  });
});
