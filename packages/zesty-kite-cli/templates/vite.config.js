import { defineConfig } from 'vite';
import { settingsFile } from 'zesty-kite-panel/vite';

// The panel saves to this file, and edits of it flow into the running page.
export default defineConfig({ plugins: [settingsFile({ file: 'camera.json' })] });
