import { gzipAsync } from '@gfx/zopfli'
import vue from '@vitejs/plugin-vue'
import laravel from 'laravel-vite-plugin'
import { gzipSync } from 'node:zlib'
import { cpSync, readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { defineConfig, type Plugin } from 'vite'

/** Bytes from which on a file is packed by Zopfli, which takes longer once and is some hundredths smaller each time it is sent. */
const WORTH_IT = 16_384

/** Leaves a packed copy beside each script and style, which the server sends as it is. */
function packedCopies(folder: string): Plugin {
    return {
        name: 'packed-copies',
        apply: 'build',
        async closeBundle() {
            for (const file of readdirSync(folder).filter((one) => /\.(js|css)$/.test(one))) {
                const bytes = readFileSync(`${folder}/${file}`)
                // More rounds than a few cost time and gain nothing.
                writeFileSync(`${folder}/${file}.gz`, bytes.length < WORTH_IT ? gzipSync(bytes, { level: 9 }) : await gzipAsync(bytes, { numiterations: 3 }))
            }
        },
    }
}

/** Type and character tables that PDF files may count on without holding them, and what reads the pictures of scanned ones. */
function pdfTables(from: string, to: string): Plugin {
    return {
        name: 'pdf-tables',
        apply: 'build',
        closeBundle() {
            for (const folder of ['standard_fonts', 'cmaps']) {
                cpSync(`${from}/${folder}`, `${to}/${folder}`, { recursive: true })
            }
            // The policy of our pages lets no WebAssembly run; the same is there as script.
            for (const file of readdirSync(`${from}/wasm`)) {
                if (/^LICENSE|nowasm_fallback\.js$/.test(file)) {
                    cpSync(`${from}/wasm/${file}`, `${to}/readers/${file}`)
                }
            }
        },
    }
}

export default defineConfig({
    plugins: [
        laravel({ input: ['resources/ts/main.ts', 'resources/ts/page/page.ts'] }),
        vue(),
        pdfTables(fileURLToPath(new URL('./node_modules/pdfjs-dist', import.meta.url)), fileURLToPath(new URL('./public/build/pdf', import.meta.url))),
        packedCopies(fileURLToPath(new URL('./public/build/assets', import.meta.url))),
    ],
    resolve: { alias: { '@': fileURLToPath(new URL('./resources/ts', import.meta.url)) } },
    build: {
        target: 'es2022', chunkSizeWarningLimit: 1200,
        // Servers know scripts by ".js"; many do not by ".mjs".
        // The desk is seen at once (a section of the draft is none of it); with all that its sections need it is one file, which packs better than forty.
        rolldownOptions: { output: { codeSplitting: { groups: [{ name: 'common', test: /features[\\/](?!draft)\w+[\\/]\w+Section\.vue/ }] }, assetFileNames: ({ names }) => (names.some((name) => name.endsWith('.mjs')) ? 'assets/[name]-[hash].js' : 'assets/[name]-[hash][extname]') } },
    },
})
