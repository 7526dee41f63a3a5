import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { Target } from '@/stores/bringing'
import type { Attached } from './files'

/** What becomes of a file when it is there: it comes to a topic, to the board, or in the place of another. */
export type Use = Target | { readonly replaces: Attached }

/** A file on its way. */
export interface Coming {
    readonly key: string
    readonly file: File
    readonly map: string
    readonly use: Use
    sent: number
    state: 'waiting' | 'sending' | 'held' | 'failed'
    why: string
}

/** A file that is open beside the map. */
export interface Opened { readonly source: string; readonly name: string; readonly topic: string | null }

/** The file that is open and those on their way, for those who show them; what brings them there is in fileStore, which comes when it is wanted. */
export const useFileState = defineStore('file-state', () => {
    const coming = ref<Coming[]>([])
    const opened = shallowRef<Opened | null>(null)
    const open = (file: Attached): void => void (opened.value = { source: file.source, name: file.name, topic: file.topic })
    return { coming, opened, open }
})
