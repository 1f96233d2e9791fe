import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  root: new URL('.', import.meta.url).pathname,
  plugins: [react()],
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
