import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vite'

interface Built {
    file: string
    css?: string[]
    assets?: string[]
}

/** All that the application may load, so that it opens without a network; readers of PDF files are fetched when there is one. */
function built(): string[] {
    const manifest = JSON.parse(readFileSync('public/build/manifest.json', 'utf8')) as Record<string, Built>
    const files = Object.values(manifest).flatMap(({ file, css = [], assets = [] }) => [file, ...css, ...assets])
    return [...new Set(files)].filter((file) => /\.(?:js|css|woff2|svg)$/.test(file)).sort()
}

/** What runs beside the pages and lets them open without a network: one file, built when all else is. */
export default defineConfig({
    publicDir: false,
    define: { 'process.env.NODE_ENV': '"production"', BUILT: JSON.stringify(built()) },
    build: {
        target: 'es2022', outDir: 'public/build/worker', emptyOutDir: true,
        lib: { entry: fileURLToPath(new URL('./resources/worker/worker.ts', import.meta.url)), formats: ['iife'], name: 'worker', fileName: () => 'worker.js' },
    },
})
