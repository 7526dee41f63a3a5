import vue from '@vitejs/plugin-vue'
import laravel from 'laravel-vite-plugin'
import { gzipSync } from 'node:zlib'
import { readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { defineConfig, type Plugin } from 'vite'

/** Leaves a packed copy beside each script and style, which the server sends as it is. */
function packedCopies(folder: string): Plugin {
    return {
        name: 'packed-copies',
        apply: 'build',
        closeBundle() {
            for (const file of readdirSync(folder)) {
                if (/\.(js|css)$/.test(file)) {
                    writeFileSync(`${folder}/${file}.gz`, gzipSync(readFileSync(`${folder}/${file}`), { level: 9 }))
                }
            }
        },
    }
}

export default defineConfig({
    plugins: [
        laravel({ input: ['resources/ts/main.ts'] }),
        vue(),
        packedCopies(fileURLToPath(new URL('./public/build/assets', import.meta.url))),
    ],
    resolve: { alias: { '@': fileURLToPath(new URL('./resources/ts', import.meta.url)) } },
    build: { target: 'es2022', chunkSizeWarningLimit: 1200 },
})
