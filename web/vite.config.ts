/// <reference types="vitest/config" />
import { svelte } from '@sveltejs/vite-plugin-svelte';
import tailwindcss from '@tailwindcss/vite';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { brotliCompressSync, constants } from 'node:zlib';
import { defineConfig, type Plugin } from 'vite';

const OUT = '../src/dunestead/api/static';

/** What never changes under its name is made as small as it gets, once, and sent like that. */
const small = (): Plugin => ({
  name: 'small',
  apply: 'build',
  closeBundle() {
    for (const name of readdirSync(`${OUT}/assets`)) {
      if (!/\.(js|css)$/.test(name)) continue;
      const file = `${OUT}/assets/${name}`;
      const params = { [constants.BROTLI_PARAM_QUALITY]: constants.BROTLI_MAX_QUALITY };
      writeFileSync(`${file}.br`, brotliCompressSync(readFileSync(file), { params }));
    }
  },
});

export default defineConfig({
  plugins: [tailwindcss(), svelte(), small()],
  build: { outDir: OUT, emptyOutDir: true, chunkSizeWarningLimit: 900 },
  server: { proxy: { '/api': 'http://127.0.0.1:8765' } },
  resolve: process.env.VITEST ? { conditions: ['browser'] } : {},
  test: {
    environment: 'jsdom',
    setupFiles: ['src/test-setup.ts'],
    include: ['src/**/*.test.ts'],
    // The first test of a file waits for all it imports, and a machine may stall meanwhile.
    testTimeout: 30_000,
  },
});
