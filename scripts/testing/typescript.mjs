/** Lets a worker that runs tests import TypeScript, and shows its lines in traces. */
import { register } from 'node:module';

register('./hooks.mjs', import.meta.url);
process.setSourceMapsEnabled(true);
// The runner sets it for its own messages. Programs that a test starts would colour what the test reads.
delete process.env.FORCE_COLOR;
