import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

/** The page's logic without a page: what needs a real browser is a journey in tests/browser. */
export default defineConfig({
  plugins: [vue()],
  root: fileURLToPath(new URL('.', import.meta.url)),
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    include: ['src/**/*.test.ts'],
    environment: 'happy-dom',
    restoreMocks: true,
    // A slow machine is no fault.
    testTimeout: 60_000,
    css: { include: [/raw/] },
  },
})
