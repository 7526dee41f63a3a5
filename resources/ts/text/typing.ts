import type { Editor } from '@tiptap/core'
import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import { useMap } from '@/stores/map'
import { useTitles } from '@/stores/titles'

/** The title editor that is open, wherever it is: what it holds, and how to leave it. */
export const useTyping = defineStore('typing', () => {
    const map = useMap()
    const titles = useTitles()
    const editor = shallowRef<Editor | null>(null)
    let reader: (() => string) | null = null

    function hold(read: () => string, its: Editor): void {
        reader = read
        editor.value = its
    }

    function letGo(read: () => string): void {
        if (reader === read) {
            reader = null
            editor.value = null
        }
    }

    function finish(): void {
        titles.end(reader?.() ?? null)
    }

    function cancel(): void {
        titles.end(null)
    }

    /** Ends this title and goes straight on to the next. */
    function then(next: (id: string) => void): void {
        const id = map.editing?.id
        const title = reader?.() ?? ''
        if (id === undefined) {
            return
        }
        if (title === '' && map.editing?.fresh === true) {
            finish()
        } else {
            finish()
            next(id)
        }
    }

    return { editor, hold, letGo, finish, cancel, then }
})
