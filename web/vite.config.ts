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
  worker: { format: 'es' },
  // Names stay as they are written: each is in one sheet only, a test sees to that.
  css: { modules: { localsConvention: 'camelCaseOnly', generateScopedName: '[local]' } },
  build: {
    outDir: '../dist/web',
    emptyOutDir: true,
    chunkSizeWarningLimit: 4000,
    // Fonts stay files: the map's export reads one by its address.
    assetsInlineLimit: 0,
  },
});
