import { computed, shallowRef } from 'vue'
import type { Mark, Narrowed, SceneNews, Slip, ViewFilter } from '@/api/wire'
import { learnChalks } from '@/board/chalkSheet'
import { learnLooks } from '@/board/looks'

const slipsOf = (slips: readonly Slip[]): ReadonlyMap<string, Slip> => new Map(slips.map((slip) => [slip.id, Object.freeze(slip)]))

/** What the server has drawn of the map that is open: of the whole, of what it is narrowed to, and of what is tried. */
export function createScene() {
    /** The scene of the whole map as it is seen, whatever it is narrowed to. */
    const drawnSlips = shallowRef<ReadonlyMap<string, Slip>>(new Map())
    const drawnMarks = shallowRef<ReadonlyMap<string, Mark>>(new Map())
    /** To what it is narrowed, as this person says it; null for the whole. */
    const filter = shallowRef<ViewFilter | null>(null)
    /** The same, as the server answers it. */
    const narrowed = shallowRef<Narrowed | null>(null)
    const narrowedScene = shallowRef<{ slips: ReadonlyMap<string, Slip>; marks: ReadonlyMap<string, Mark> } | null>(null)
    /** What is on the board, by id: topics, and what is drawn besides them. */
    const slips = computed(() => narrowedScene.value?.slips ?? drawnSlips.value)
    const marks = computed(() => narrowedScene.value?.marks ?? drawnMarks.value)
    /** The board as it would be, while something is tried; null while nothing is. */
    const tried = shallowRef<ReadonlyMap<string, Slip> | null>(null)

    function takeScene(news: SceneNews): void {
        learnLooks(news)
        learnChalks(news)
        if (news.reset || news.marks.length > 0 || news.goneMarks.length > 0) {
            const drawn = new Map(news.reset ? [] : drawnMarks.value)
            news.goneMarks.forEach((gone) => drawn.delete(gone))
            news.marks.forEach((mark) => drawn.set(mark.id, mark))
            drawnMarks.value = drawn
        }
        if (!news.reset && news.slips.length === 0 && news.gone.length === 0) {
            return
        }
        const next = new Map(news.reset ? [] : drawnSlips.value)
        for (const gone of news.gone) {
            next.delete(gone)
        }
        for (const slip of news.slips) {
            next.set(slip.id, Object.freeze(slip))
        }
        drawnSlips.value = next
    }

    /** What was said since goes over what is answered to what was said before. */
    function takeNarrowed(news: Narrowed | null): void {
        if (filter.value === null || (news !== null && (news.text !== filter.value.text || news.shows !== filter.value.shows))) {
            return
        }
        const scene = news?.scene ?? null
        if (scene !== null) {
            learnLooks({ looks: scene.looks, levels: [] })
        }
        narrowedScene.value = scene === null ? null : { slips: slipsOf(scene.slips), marks: new Map(scene.marks.map((mark) => [mark.id, mark])) }
        narrowed.value = news
    }

    /** Narrows what is shown, or shows the whole, which is here already. */
    function narrowTo(said: ViewFilter | null): void {
        filter.value = said
        if (said === null) {
            narrowed.value = narrowedScene.value = null
        }
    }

    /** Shows the board as it would be after something that is not done; null shows it as it is. */
    function showTried(scene: SceneNews | null): void {
        if (scene !== null) {
            learnLooks({ looks: scene.looks, levels: [] })
        }
        tried.value = scene === null ? null : slipsOf(scene.slips)
    }

    /** Whether the map is narrowed to others than this topic. */
    const leavesOut = (topic: string): boolean => narrowedScene.value !== null && !narrowedScene.value.slips.has(topic)

    function wipe(): void {
        drawnSlips.value = new Map()
        drawnMarks.value = new Map()
        tried.value = null
        narrowTo(null)
    }

    return { slips, marks, tried, filter, narrowed, takeScene, takeNarrowed, narrowTo, showTried, leavesOut, wipe }
}
