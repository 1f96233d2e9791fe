import react from '@vitejs/plugin-react';
import { readFileSync } from 'node:fs';
import { defineConfig } from 'vite';

const { version } = JSON.parse(readFileSync(new URL('../package.json', import.meta.url), 'utf8')) as {
  version: string;
};

export default defineConfig({
  root: new URL('.', import.meta.url).pathname,
  plugins: [react()],
  define: { VERSION: JSON.stringify(version) },
  worker: { format: 'es', rolldownOptions: { checks: { pluginTimings: false } } },
  // Names stay as they are written: each is in one sheet only, a test sees to that.
  css: { modules: { localsConvention: 'camelCaseOnly', generateScopedName: '[local]' } },
  build: {
    outDir: '../dist/web',
    emptyOutDir: true,
    // The engine is one file, which a browser fetches from the same machine once and keeps: as large as its packages, which
    // a test holds in bounds.
    chunkSizeWarningLimit: 1500,
    rolldownOptions: {
      // How long each plugin took is for those who make plugins.
      checks: { pluginTimings: false },
      output: {
        // Seldom needed, and what is in one file with it is fetched with it.
        codeSplitting: {
          groups: [
            { name: 'chardet', test: /node_modules[/\\]chardet/ },
            { name: 'joi', test: /node_modules[/\\](?:joi|@hapi)[/\\]/ },
          ],
        },
      },
    },
    // Fonts stay files: the map's export reads one by its address.
    assetsInlineLimit: 0,
  },
});
