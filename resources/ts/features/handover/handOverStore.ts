import { useStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, nextTick, ref, shallowRef } from 'vue'
import { handOverApi, madeAddress, wishAddress, type Wished } from '@/api/handOver'
import type { Edit, HandOverAnswer } from '@/api/wire'
import { newId, useMap } from '@/stores/map'
import { usePreferences } from '@/stores/preferences'
import { heldIn } from '@/stores/privacy'
import { tell } from '@/ui/tell'
import { useUi } from '@/ui/uiStore'
import { formatOf } from './formats'

export type Choices = Record<string, string | number | boolean>
/** Which topics go along. */
export type What = 'map' | 'branch' | 'chosen' | 'shown'

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
    const making = shallowRef<(HandOverAnswer & { title: string }) | null>(null)

    const to = computed(() => String(choices.value.to ?? 'docx'))
    const format = computed(() => formatOf(to.value))
    /** A complete copy is of all there is. */
    const what = computed<What>(() => (format.value.sort === 'copy' ? 'map' : ((choices.value.what ?? 'map') as What)))
    const heldCount = computed(() => heldIn(map.tree).size)
    /** Settings that the map keeps, by name. */
    const kept = computed(() => [...map.tree.rows.values()].filter(({ type }) => type === 'hand-over').map(({ id, fields }) => ({ id, name: String(fields.name ?? ''), fields })).filter(({ name }) => name !== '').sort((a, b) => a.name.localeCompare(b.name)))

    function open(with_: Choices = {}): void {
        choices.value = { to: 'docx', ...(last.value[map.id] ?? {}), ...with_ }
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
        const plain = without(choices.value, 'to', 'name', 'what')
        const topic = what.value === 'branch' ? branch.value : what.value !== 'chosen' && map.scope !== null ? map.scope : null
        return { to: as, choices: what.value === 'shown' ? { ...plain, what: 'shown' } : plain, topic, chosen: what.value === 'chosen' ? [...map.chosen] : [], board: preferences.board }
    }

    /** Saves the file that was chosen; what takes a while tells how far it is. */
    async function save(): Promise<void> {
        last.value = { ...last.value, [map.id]: { ...choices.value } }
        const wanted = wish()
        if (format.value.sort === 'document') {
            const made = await make(wanted, `Making ${format.value.name}`)
            if (made !== null) {
                ui.download(madeAddress(made.id))
                tell.info(`${format.value.name} is made and handed to the browser.`)
            }
        } else {
            ui.download(wishAddress(map.id, wanted))
        }
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
            const answer = await fetch(wishAddress(map.id, wish()))
            if (!answer.ok) {
                throw new Error(((await answer.json()) as { message?: string }).message ?? 'it could not be made')
            }
            await navigator.clipboard.writeText(await answer.text())
            last.value = { ...last.value, [map.id]: { ...choices.value } }
            tell.info(`Copied as ${format.value.name}.`)
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

    return { isOpen, choices, to, format, what, kept, heldCount, branch, making, open, close, set, wish, save, make, stop, again, copy, keep, take, forget }
})
