/** The mistakes of each step, for the buttons of its program. */
import { stepsOfGuide } from '../../scripts/setup/programs.mjs';

export default {
  watch: ['../guide/*.md'],
  load: () =>
    Object.fromEntries(
      stepsOfGuide().map(({ name, mistakes }) => [
        name,
        mistakes.map(({ name: page, title }) => ({ name: page, title })),
      ]),
    ),
};
