import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vite'

/** The script that goes into pages that show their own slides: one file, which nothing else has to be fetched for. */
export default defineConfig({
    publicDir: false,
    build: {
        target: 'es2022', outDir: 'public/build/slides', emptyOutDir: true,
        lib: { entry: fileURLToPath(new URL('./resources/ts/slides/alone.ts', import.meta.url)), formats: ['iife'], name: 'slides', fileName: () => 'alone.js' },
    },
})
