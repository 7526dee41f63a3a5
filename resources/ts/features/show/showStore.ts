import { defineStore } from 'pinia'
import { nextTick, shallowRef } from 'vue'
import type { ShownDeck } from '@/api/wire'
import { current } from '@/slides/current'
import { useMap } from '@/stores/map'
import { tell } from '@/ui/tell'
import { useUi } from '@/ui/uiStore'
import { useSlides } from './slidesStore'

/** A show that is on. */
export const useShow = defineStore('show', () => {
    const map = useMap()
    const ui = useUi()
    const slides = useSlides()
    const begun = shallowRef<{ deck: ShownDeck; slide: number } | null>(null)

    /** Shows the deck from the slide that is chosen; one that is hidden is passed over. */
    function begin(): void {
        if (slides.deck === null) {
            slides.see()
            tell.info('There are no slides yet. Make some of a branch, or of what you choose.')
            return
        }
        map.afterAnswer(() => void slides.fetch().then(() => {
            const all = slides.shown
            const shown = all?.slides.filter(({ isHidden }) => !isHidden) ?? []
            if (all === null || shown.length === 0) {
                slides.see()
                tell.warning('There is no slide to be shown in this deck.')
                return
            }
            const from = all.slides.findIndex(({ id }) => id === slides.slide)
            const first = shown.findIndex((one) => all.slides.indexOf(one) >= from)
            begun.value = { deck: { ...all, slides: shown }, slide: Math.max(0, first) }
            ui.isShowing = true
        }))
    }

    function ended(slide: string | null): void {
        current.player = null
        begun.value = null
        ui.isShowing = false
        if (slide !== null) {
            slides.choose(slide)
        }
        if (document.fullscreenElement !== null) {
            void document.exitFullscreen().catch(() => undefined)
        }
        void nextTick(() => ui.focusRegion('board'))
    }

    return { begun, begin, ended }
})
