import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { brotliCompressSync, gzipSync } from 'node:zlib'
import vue from '@vitejs/plugin-vue'
import vuetify from 'vite-plugin-vuetify'
import { defineConfig, type Plugin } from 'vite'

const built = fileURLToPath(new URL('../server/public/build', import.meta.url))

/** Beside each file that is worth it, the same compressed: whoever sends it does not have to do it each time. */
const compressed = (): Plugin => ({
  name: 'compressed',
  apply: 'build',
  closeBundle() {
    const assets = join(built, 'assets')
    for (const name of readdirSync(assets).filter((file) => /\.(js|css|svg)$/.test(file))) {
      const content = readFileSync(join(assets, name))
      if (content.length < 1000) continue
      writeFileSync(join(assets, `${name}.br`), brotliCompressSync(content))
      writeFileSync(join(assets, `${name}.gz`), gzipSync(content, { level: 9 }))
    }
  },
})

export default defineConfig({
  root: fileURLToPath(new URL('.', import.meta.url)),
  base: '/build/',
  plugins: [vue(), vuetify({ autoImport: true }), compressed()],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  build: {
    outDir: built,
    emptyOutDir: true,
    chunkSizeWarningLimit: 900,
    rolldownOptions: {
      output: {
        // Few files, each for something: what others made, and what several views use.
        advancedChunks: {
          groups: [
            {
              name: 'vendor',
              test: /node_modules(?!.*(markdown-it|linkify-it|mdurl|uc\.micro|entities|punycode))/,
              minShareCount: 6,
            },
            { name: 'common', test: /src\/(?!.*View\.vue)/, minShareCount: 8 },
          ],
        },
      },
    },
  },
})
