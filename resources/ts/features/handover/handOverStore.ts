import { useStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, nextTick, ref, shallowRef } from 'vue'
import { handOverApi, madeAddress, wishAddress, type Wished } from '@/api/handOver'
import type { Box } from '@/board/geometry'
import type { Edit, HandOverAnswer } from '@/api/wire'
import { newId, useMap } from '@/stores/map'
import { usePreferences } from '@/stores/preferences'
import { heldIn } from '@/stores/privacy'
import { tell } from '@/ui/tell'
import { useUi } from '@/ui/uiStore'
import { formatOf } from './formats'

export type Choices = Record<string, string | number | boolean>
/** Which topics go along. */
export type What = 'map' | 'branch' | 'chosen' | 'shown' | 'area'

/** Gaps in a worksheet that are topics which were chosen. */
export const GAPS = 'gapTopics'

const AREA = ['at', 'left', 'top', 'wide', 'high']

const ASKS = 350

const without = (choices: Choices, ...names: string[]): Choices => Object.fromEntries(Object.entries(choices).filter(([name]) => !names.includes(name)))

/** Handing a map over: what was chosen, settings that the map keeps, files on their way. */
export const useHandOver = defineStore('hand-over', () => {
    const map = useMap()
    const preferences = usePreferences()
    const ui = useUi()
    const isOpen = ref(false)
    /** As it was handed over last, by map. */
    const last = useStorage<Record<string, Choices>>('chalk-handed', {})
    const choices = ref<Choices>({ to: 'docx' })
    /** Whether an area of the board is being marked out, for which the panel steps aside. */
    const isMarking = ref(false)
    const making = shallowRef<(HandOverAnswer & { title: string }) | null>(null)

    const to = computed(() => String(choices.value.to ?? 'docx'))
    const format = computed(() => formatOf(to.value))
    /** A complete copy is of all there is; a page of all or of a branch; only what is drawn can be of an area. */
    const what = computed<What>(() => {
        const wanted = (choices.value.what ?? 'map') as What
        const isOffered = { copy: false, page: wanted === 'branch', slides: wanted === 'branch', picture: true, paper: true, document: wanted !== 'area', outline: wanted !== 'area' }[format.value.sort]
        return isOffered && (wanted !== 'area' || choices.value.at !== undefined) ? wanted : 'map'
    })
    const heldCount = computed(() => heldIn(map.tree).size)
    /** Settings that the map keeps, by name. */
    const kept = computed(() => [...map.tree.rows.values()].filter(({ type }) => type === 'hand-over').map(({ id, fields }) => ({ id, name: String(fields.name ?? ''), fields })).filter(({ name }) => name !== '').sort((a, b) => a.name.localeCompare(b.name)))

    function open(with_: Choices = {}): void {
        choices.value = { to: 'docx', ...(last.value[map.id] ?? {}), ...with_ }
        isMarking.value = false
        isOpen.value = true
    }

    function close(): void {
        isOpen.value = false
        void nextTick(() => ui.focusRegion(map.region))
    }

    function set(name: string, value: string | number | boolean | null): void {
        const rest = without(choices.value, name)
        choices.value = value === null || value === false ? rest : { ...rest, [name]: value }
    }

    /** The topic whose branch is meant: the one that is chosen, or the one that is stepped into. */
    const branch = computed(() => map.current ?? map.scope ?? map.tree.root)

    function wish(as: string = to.value): Wished {
        const its = what.value
        const plain = its === 'area' ? without(choices.value, 'to', 'name', 'what') : without(choices.value, 'to', 'name', 'what', ...AREA)
        const topic = its === 'branch' ? branch.value : its !== 'chosen' && map.scope !== null ? map.scope : null
        return {
            to: as, choices: its === 'shown' || its === 'area' ? { ...plain, what: its } : plain, topic, chosen: its === 'chosen' ? [...map.chosen] : [],
            gaps: format.value.sort === 'paper' && choices.value[GAPS] === true ? [...map.chosen] : [], board: preferences.board,
        }
    }

    /** Takes an area of the board. It goes by the topic nearest to its middle that others may see, so it still shows the same when topics beside it have gone. */
    function takeArea(area: Box, boxes: ReadonlyMap<string, Box>): void {
        const held = heldIn(map.tree)
        const [x, y] = [area.x + area.w / 2, area.y + area.h / 2]
        let nearest: { id: string; x: number; y: number; away: number } | null = null
        for (const [id, box] of boxes) {
            const [middleX, middleY] = [box.x + box.w / 2, box.y + box.h / 2]
            const away = Math.hypot(middleX - x, middleY - y)
            if (!held.has(id) && map.tree.topics.has(id) && (nearest === null || away < nearest.away)) {
                nearest = { id, x: middleX, y: middleY, away }
            }
        }
        isMarking.value = false
        if (nearest !== null) {
            choices.value = { ...choices.value, what: 'area', at: nearest.id, left: Math.round(area.x - nearest.x), top: Math.round(area.y - nearest.y), wide: Math.max(20, Math.round(area.w)), high: Math.max(20, Math.round(area.h)) }
        }
    }

    /** Saves the file that was chosen; what takes a while tells how far it is. */
    async function save(): Promise<void> {
        last.value = { ...last.value, [map.id]: { ...choices.value } }
        const wanted = wish()
        if (['svg', 'json', 'zip'].includes(to.value) || format.value.sort === 'outline') {
            ui.download(wishAddress(map.id, wanted))
            return
        }
        const made = await make(wanted, `Making ${format.value.name}`)
        if (made !== null) {
            ui.download(madeAddress(made.id))
            tell.info(`${format.value.name} is made and handed to the browser.`)
        }
    }

    /** Hands the sheets to the browser, which prints them. */
    async function print(): Promise<void> {
        last.value = { ...last.value, [map.id]: { ...choices.value } }
        const made = await make(wish('sheets'), 'Making the sheets')
        if (made === null) {
            return
        }
        const page = await (await fetch(madeAddress(made.id))).text()
        document.querySelector('iframe.to-print')?.remove()
        const frame = document.createElement('iframe')
        frame.className = 'to-print'
        // It only shows: what prints is this page.
        frame.setAttribute('sandbox', 'allow-same-origin allow-modals')
        frame.setAttribute('aria-hidden', 'true')
        frame.style.cssText = 'position:fixed;width:0;height:0;border:0;visibility:hidden'
        frame.srcdoc = page
        frame.onload = () => void frame.contentDocument?.fonts.ready.then(() => frame.contentWindow?.print())
        document.body.append(frame)
    }

    /** @returns null where it failed, which was told, or was stopped */
    async function make(wanted: Wished, title: string): Promise<HandOverAnswer | null> {
        if (making.value !== null) {
            await stop()
        }
        try {
            let answer = await handOverApi.begin(map.id, wanted)
            making.value = { ...answer, title }
            const { id } = answer
            while (answer.state === 'waiting' || answer.state === 'working') {
                await new Promise((go) => setTimeout(go, ASKS))
                if (making.value?.id !== id) {
                    return null
                }
                answer = await handOverApi.ask(id)
                making.value = { ...answer, title }
            }
            making.value = null
            if (answer.state === 'done') {
                return answer
            }
            tell.error(answer.message ?? 'The file could not be made.')
        } catch (error) {
            making.value = null
            tell.error(`Not handed over: ${(error as Error).message}`)
        }
        return null
    }

    async function stop(): Promise<void> {
        const id = making.value?.id
        making.value = null
        if (id !== undefined) {
            await handOverApi.stop(id).catch(() => undefined)
        }
    }

    /** As last time, without asking. */
    function again(): void {
        choices.value = { to: 'docx', ...(last.value[map.id] ?? {}) }
        void save()
    }

    async function copy(): Promise<void> {
        try {
            const isPicture = format.value.sort === 'picture'
            const answer = await fetch(wishAddress(map.id, wish(isPicture ? 'png' : to.value)))
            if (!answer.ok) {
                throw new Error(((await answer.json()) as { message?: string }).message ?? 'it could not be made')
            }
            await (isPicture ? navigator.clipboard.write([new ClipboardItem({ 'image/png': await answer.blob() })]) : navigator.clipboard.writeText(await answer.text()))
            last.value = { ...last.value, [map.id]: { ...choices.value } }
            tell.info(isPicture ? 'Copied as a picture.' : `Copied as ${format.value.name}.`)
        } catch (error) {
            tell.error(`Not copied: ${(error as Error).message}`)
        }
    }

    /** Keeps what is chosen now under a name; one that is there already is changed. */
    function keep(name: string): void {
        const known = kept.value.find((one) => one.name.toLowerCase() === name.trim().toLowerCase())
        const blank = Object.fromEntries(Object.keys(known?.fields ?? {}).map((field) => [field, typeof known?.fields[field] === 'boolean' ? false : null]))
        const fields = { ...blank, ...Object.fromEntries(Object.entries(choices.value).filter(([field, value]) => !(field === 'what' && value === 'map'))), name: name.trim() }
        map.edit({ name: 'row.set', type: 'hand-over', row: known?.id ?? newId(), fields } as Edit)
        tell.info(`Kept with the map as “${name.trim()}”.`)
    }

    function take(id: string): void {
        const found = kept.value.find((one) => one.id === id)
        if (found !== undefined) {
            choices.value = Object.fromEntries(Object.entries(found.fields).filter(([name, value]) => name !== 'name' && value !== null && value !== false && value !== '')) as Choices
        }
    }

    function forget(id: string): void {
        map.edit({ name: 'row.remove', type: 'hand-over', rows: [id] } as Edit)
    }

    return { isOpen, isMarking, takeArea, print, choices, to, format, what, kept, heldCount, branch, making, open, close, set, wish, save, make, stop, again, copy, keep, take, forget }
})
