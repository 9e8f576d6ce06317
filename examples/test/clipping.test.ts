/** The ground as a real renderer draws it, in 32-bit floats: never clipped, from one end of the zoom to the other. */
import { expect, test } from '@jest/globals';
import { libraryScript, ownBrowser } from './browser.ts';

const own = ownBrowser();

test('straight down and tilted, on flat ground and on plateaus, every frame of a zoom shows ground in the middle pixel', async () => {
  const page = await own.tab({ viewport: { width: 300, height: 200 } });
  await page.addScriptTag(libraryScript());
  await page.addScriptTag({ path: process.env['RENDERER_SCRIPT'] ?? '' });
  const frames = await page.evaluate(() => {
    const { Color, Mesh, MeshBasicMaterial, OrthographicCamera, PlaneGeometry, Scene, WebGLRenderer } = renderer;
    const drawn = new WebGLRenderer({ preserveDrawingBuffer: true });
    drawn.setSize(64, 48);
    const gl = drawn.getContext();
    const pixel = new Uint8Array(4);
    const missing: string[] = [];
    let count = 0;
    for (const [pitch, height, highest] of [
      [90, 0, 0],
      [90, 60, 60],
      [30, 0, 60],
      [2, 0, 0],
    ] as const) {
      const scene = new Scene();
      scene.background = new Color(0x000000);
      const ground = new Mesh(new PlaneGeometry(1e6, 1e6), new MeshBasicMaterial({ color: 0x00ff00 }));
      ground.rotation.x = -Math.PI / 2;
      ground.position.y = height;
      scene.add(ground);
      const terrain = zesty.terrainOf({ id: 't', lowest: height, highest, feature: 5, heightAt: () => height });
      const camera = new zesty.Camera(
        {
          start: { x: 512, y: 384, span: 700 },
          pitch: { degrees: pitch },
          zoom: { minSpan: 12, maxSpan: 4096 },
          ground: { highest },
        },
        { screen: { width: 64, height: 48 }, terrain },
      );
      const lens = new OrthographicCamera();
      let time = 0;
      camera.advance(time);
      for (const notches of [-60, 60]) {
        camera.signal({ kind: 'wheel', x: 40, y: 20, notches, time });
        for (let i = 0; i < 50; i++) {
          zesty.aimThree(camera.advance((time += 33)), lens);
          drawn.render(scene, lens);
          gl.readPixels(32, 24, 1, 1, gl.RGBA, gl.UNSIGNED_BYTE, pixel);
          count += 1;
          if ((pixel[1] ?? 0) < 100) missing.push(`pitch ${String(pitch)}, span ${String(camera.view.span)}`);
        }
      }
    }
    return { count, missing };
  });
  expect(frames).toEqual({ count: 400, missing: [] });
});
