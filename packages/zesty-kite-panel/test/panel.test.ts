/** A stranger tunes a camera in twenty steps, from an empty page to a saved file, by mouse and keyboard. */
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { parse } from 'jsonc-parser';
import type { FullSettings, Pose, Settings } from 'zesty-kite';
import { Game } from './game.ts';
import { chromium, choose, click, fill, firefox, focus, frames, slide, until, using, type Hands } from './hands.ts';

const games = { Chromium: new Game(), Firefox: new Game() };
beforeAll(async () => {
  await Promise.all(Object.values(games).map((game) => game.serve()));
}, 60_000);
afterAll(() => {
  for (const game of Object.values(games)) game.remove();
});

const settings = (hands: Hands): Promise<FullSettings> => hands.evaluate('structuredClone(camera.settings)');
const shown = (hands: Hands): Promise<Pose> => hands.evaluate('({ ...camera.shown })');
const rest = async (hands: Hands): Promise<void> => {
  await until(hands, 'camera.settled');
  await frames(hands);
};

test.each([
  ['Chromium', chromium],
  ['Firefox', firefox],
] as const)(
  '%s: from an empty page to a tuned, saved camera',
  async (name, open) => {
    const game = games[name];
    const said: string[] = [];
    await using(open(game.address, said), async (hands) => {
      await until(hands, 'window.panel');
      // 1. The key left of 1 unfolds the panel.
      await hands.press('Backquote');
      await until(hands, 'panel.isOpen');
      await frames(hands);
      // 2. A word leads to the settings that have it.
      await fill(hands, 'Search the settings', 'zoom halfLife');
      // 3. A slider is dragged: its value is in force, and marked as unsaved.
      await slide(hands, 'zoom halfLife, slider', 0.5, 0.9);
      const { zoom } = await settings(hands);
      expect(zoom.halfLife).toBeGreaterThan(0.2);
      // 4. A field takes any number.
      await fill(hands, 'zoom halfLife', '0.07');
      await expect(settings(hands)).resolves.toMatchObject({ zoom: { halfLife: 0.07 } });
      // 5. A value that no camera takes is refused beside the field.
      await fill(hands, 'zoom halfLife', '-1');
      await until(
        hands,
        `panel.element.shadowRoot.textContent.includes('zoom.halfLife: expected a number from 0 to 60')`,
      );
      await expect(settings(hands)).resolves.toMatchObject({ zoom: { halfLife: 0.07 } });
      // 6. Back to the default.
      await click(hands, 'zoom halfLife: back to the default');
      await expect(settings(hands)).resolves.toMatchObject({ zoom: { halfLife: 0.09 } });
      // 7. What feels wrong is told beside the setting.
      await fill(hands, 'Search the settings', 'notch');
      await fill(hands, 'zoom notch', '9');
      await until(hands, `panel.element.shadowRoot.querySelector('[data-path="zoom.notch"] .message')`);
      // 8. Undo.
      await click(hands, 'Undo');
      await expect(settings(hands)).resolves.toMatchObject({ zoom: { notch: 1.1 } });
      // 9. A feel to begin from.
      await fill(hands, 'Search the settings', ' ');
      await choose(hands, 'Feel', 'cri');
      await expect(settings(hands)).resolves.toMatchObject({ pan: { startHalfLife: 0.03 } });
      // 10. The nearest zoom is taken from a flight.
      await hands.move(400, 400);
      for (let i = 0; i < 6; i += 1) await hands.wheel(-120);
      await rest(hands);
      await click(hands, 'zoom');
      await click(hands, 'zoom minSpan: here');
      const near = await shown(hands);
      expect(near.span).toBeLessThan(380);
      expect(((await settings(hands)).zoom.minSpan as number) / near.span).toBeCloseTo(1, 2);
      // 11. The farthest one lies beyond the limits: they are lifted for the flight.
      await click(hands, 'No limits');
      await hands.move(400, 400);
      for (let i = 0; i < 14; i += 1) await hands.wheel(120);
      await rest(hands);
      const far = await shown(hands);
      expect(far.span).toBeGreaterThan(400);
      await click(hands, 'zoom maxSpan: here');
      await click(hands, 'No limits');
      expect(((await settings(hands)).zoom.maxSpan as number) / far.span).toBeCloseTo(1, 2);
      await rest(hands);
      // 12. A point of the pitch curve is dragged.
      await click(hands, 'pitch');
      const drawing = await hands.evaluate<{ x: number; y: number }[]>(
        `[...panel.element.shadowRoot.querySelectorAll('[data-path="pitch.degrees"] circle')].map((circle) => {
        circle.closest('svg').scrollIntoView({ block: 'center' });
        const { x, y } = circle.getBoundingClientRect();
        return { x: x + 4, y: y + 4 };
      })`,
      );
      const [point = { x: 0, y: 0 }] = drawing;
      await hands.move(point.x, point.y);
      await hands.button(true);
      await hands.move(point.x, point.y - 10);
      await hands.move(point.x, point.y - 20);
      await hands.button(false);
      await frames(hands);
      const curve = (await settings(hands)).pitch.degrees as [number, number][];
      expect([curve.length, (curve[0]?.[1] ?? 0) > 44]).toEqual([2, true]);
      // 13. A point is added where the camera is.
      await click(hands, 'pitch degrees: add a point at the present zoom');
      expect((await settings(hands)).pitch.degrees).toHaveLength(3);
      // 14. A key is bound by pressing it.
      await click(hands, 'bindings');
      await click(hands, 'turnLeft: add an input');
      await hands.press('KeyJ');
      await until(hands, `camera.settings.bindings.turnLeft.includes('KeyJ')`);
      // 15. Edge scrolling is switched on, and has a width in pixels.
      await click(hands, 'edge');
      await click(hands, 'edge: on');
      await expect(settings(hands)).resolves.toMatchObject({ edge: { along: 'screen' } });
      // 16. The outline of the map is clicked on the ground.
      await click(hands, 'bounds');
      await choose(hands, 'bounds, shape', 'an');
      await until(hands, `panel.element.shadowRoot.textContent.includes('Click the corners')`);
      for (const [x, y] of [
        [150, 150],
        [750, 120],
        [800, 650],
        [120, 600],
      ] as const) {
        await hands.move(x, y);
        await hands.button(true);
        await hands.button(false);
      }
      await hands.press('Enter');
      await until(hands, `camera.settings.bounds?.polygon?.length === 4`);
      await rest(hands);
      // What can never be seen, as the view is kept inside, is marked on the map; the focus alone leaves nothing out.
      await choose(hands, 'bounds keep', 'view');
      await until(hands, `panel.element.shadowRoot.querySelector('.over .unseen')?.getAttribute('d')`);
      await focus(hands, 'bounds keep');
      await hands.press('ArrowDown');
      await expect(settings(hands)).resolves.toMatchObject({ bounds: { keep: 'focus' } });
      await until(hands, `!panel.element.shadowRoot.querySelector('.over .unseen')?.getAttribute('d')`);
      // 17. The other version feels otherwise; a key swaps them, and nothing jumps.
      await click(hands, 'Version 2');
      await expect(settings(hands)).resolves.toMatchObject({ zoom: { notch: 1.1 }, bounds: { left: 0 } });
      await hands.press('Backslash');
      await expect(settings(hands)).resolves.toMatchObject({ zoom: { notch: 1.12 } });
      await rest(hands);
      // 18. The start is where the camera is now.
      await click(hands, 'start');
      await click(hands, 'Start where the camera is now');
      const start = (await settings(hands)).start;
      const here = await shown(hands);
      expect([(start.span as number) / here.span, ((start.x ?? 0) - here.x) / here.span]).toEqual([
        expect.closeTo(1, 2),
        expect.closeTo(0, 2),
      ]);
      // 19. One button writes what differs to the file of the project, and its comments stay.
      const wanted = await hands.evaluate<Settings>('structuredClone(panel.settings)');
      await click(hands, 'Save to src/camera.json');
      await until(hands, `panel.element.shadowRoot.textContent.includes('Saved to src/camera.json')`);
      const text = game.read('src/camera.json');
      expect(parse(text)).toEqual(wanted);
      expect(text).toContain('// How it feels.\n');
      expect(text).toContain('/* soft */');
      // 20. The file is edited by hand: the running page follows, without a reload and without a jump.
      const loadedAt = await hands.evaluate('loadedAt');
      const before = await shown(hands);
      game.write('src/camera.json', text.replace(/"notch": [\d.]+/, '"notch": 1.31'));
      await until(hands, 'camera.settings.zoom.notch === 1.31');
      await frames(hands);
      expect([await hands.evaluate('loadedAt'), await shown(hands)]).toEqual([loadedAt, before]);
      expect(said).toEqual([]);
    });
  },
  120_000,
);
