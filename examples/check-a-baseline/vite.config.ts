import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vite'

export default defineConfig({
  root: fileURLToPath(new URL('.', import.meta.url)),
  base: './',
  assetsInclude: ['**/*.zip'],
  build: { target: 'es2022' },
  // in a project of your own this is the package that you installed
  resolve: { alias: { 'unpack/core': fileURLToPath(new URL('../../src/core/index.ts', import.meta.url)) } },
})
