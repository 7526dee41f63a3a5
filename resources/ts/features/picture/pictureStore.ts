import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { bounds } from '@/api/bounds'
import { api, sourceAddress } from '@/api/client'
import type { Draft, Edit } from '@/api/wire'
import { useBeside } from '@/stores/beside'
import type { Target } from '@/stores/bringing'
import { newId, useMap } from '@/stores/map'
import { rowOf } from '@/stores/tree'
import { plainTitle } from '@/text/titleMarkdown'
import { tell } from '@/ui/tell'

export type PlaceOfPicture = 'above' | 'below' | 'left' | 'right' | 'instead'
type Fields = Record<string, string | number | null>

/** A picture on its way to the server, shown where it will be. */
export interface Coming { readonly key: string; readonly url: string; readonly topic: string | null; readonly x: number; readonly y: number; readonly name: string }

const setPicture = (topics: readonly string[], fields: Fields, step = newId()): Edit => ({ name: 'row.set', step, type: 'picture', topics: [...topics], fields } as Edit)
/** Whether a file is one of those that can stand in a topic. */
export const isPicture = (file: File): boolean => /^image\/(png|jpeg|gif|webp|svg\+xml)$/.test(file.type) || /\.(png|jpe?g|gif|webp|svg)$/i.test(file.name)
const nameOf = (file: File): string => file.name.replace(/\.[a-z0-9]{1,5}$/i, '').replace(/[\\`*_[\]<>~]/g, (sign) => `\\${sign}`).slice(0, 200)

/** Pictures in topics: brought from files, taken from the box of drawings, placed, made larger, opened, taken away. */
export const usePictures = defineStore('pictures', () => {
    const map = useMap()
    const beside = useBeside()
    const coming = shallowRef<readonly Coming[]>([])
    /** The topic whose picture is open in full. */
    const opened = ref<string | null>(null)
    /** The topic whose picture was picked up, to be put somewhere else. */
    const picked = ref<string | null>(null)
    const chooser = shallowRef<HTMLInputElement | null>(null)

    const pictureOf = (topic: string) => rowOf(map.tree, 'picture', topic)
    const current = computed(() => (beside.current === null ? undefined : rowOf(beside.tree, 'picture', beside.current)))
    const has = (topics: readonly string[] = map.chosen): boolean => topics.some((id) => typeof pictureOf(id)?.fields.source === 'string')

    const isTooLarge = (file: File): boolean => file.size > bounds.picture

    /** Brings files in: one into the topic itself, several as topics below it; on the board each as a loose topic. */
    async function bring(files: readonly File[], to: Target): Promise<void> {
        const good = files.filter((file) => isPicture(file) && !isTooLarge(file))
        if (files.some(isTooLarge)) {
            tell.error('A picture can have at most 20 MB. Save it smaller and try again.')
        }
        if (files.some((file) => !isPicture(file))) {
            tell.warning('Only pictures can be put here: PNG, JPEG, GIF, WebP and SVG.')
        }
        const isAlone = good.length === 1
        const waiting = good.map((file, i) => ({
            file, key: newId(), url: URL.createObjectURL(file), name: file.name,
            topic: 'topic' in to ? to.topic : null, x: 'x' in to ? Math.round(to.x) + (i % 4) * 240 : 0, y: 'y' in to ? Math.round(to.y) + Math.floor(i / 4) * 220 : 0,
        }))
        coming.value = [...coming.value, ...waiting]
        for (const one of waiting) {
            await fetchIn(one, isAlone)
            coming.value = coming.value.filter(({ key }) => key !== one.key)
            URL.revokeObjectURL(one.url)
        }
    }

    async function fetchIn(one: Coming & { file: File }, isAlone: boolean): Promise<void> {
        const id = map.id
        try {
            const { picture, wide, high } = await api.bringPicture(id, one.file)
            // The reduced copy is there before the topic shows it.
            await new Promise((resolve) => {
                const image = new Image()
                image.onload = image.onerror = resolve
                image.src = sourceAddress(id, picture, 'small')
            })
            if (map.id === id) {
                put(one, { source: picture, wide, high, width: null, about: '' }, isAlone)
            }
        } catch (error) {
            tell.error(`“${one.name}” was not taken in. ${(error as Error).message}`)
        }
    }

    function put(one: Coming & { file: File }, fields: Fields, isAlone: boolean): void {
        const step = newId()
        if (one.topic !== null && isAlone) {
            if (map.tree.topics.has(one.topic)) {
                map.edit(setPicture([one.topic], fields, step))
            }
            return
        }
        const topic: Draft = { id: newId(), title: nameOf(one.file) }
        const place = one.topic === null ? { parent: null, x: one.x, y: one.y } : { parent: map.tree.topics.has(one.topic) ? one.topic : map.tree.root }
        map.edit({ name: 'topic.add', step, topic, ...place } as Edit, setPicture([topic.id ?? ''], fields, step))
        map.choose(topic.id ?? '')
    }

    function choose(): void {
        chooser.value?.click()
    }

    /** Puts a drawing of the box into topics, whatever picture they had; as large as that was. */
    function draw(name: string, topics: readonly string[] = map.chosen): void {
        if (topics.length > 0) {
            map.edit(setPicture(topics, { source: `drawing:${name}`, wide: 1, high: 1, about: '' }))
        }
    }

    function set(fields: Fields, topics: readonly string[] = map.chosen): void {
        const those = topics.filter((id) => pictureOf(id) !== undefined)
        if (those.length > 0) {
            map.edit(setPicture(those, fields))
        }
    }

    /** How wide a picture is drawn. */
    const widthOf = (topic: string): number => map.slips.get(topic)?.parts.reduce((width, part) => ('picture' in part ? (part.box[2] ?? width) : width), 48) ?? 48

    function grow(times: number): void {
        const step = newId()
        const those = map.chosen.filter((id) => pictureOf(id) !== undefined)
        map.edit(...those.map((id) => setPicture([id], { width: bounded(widthOf(id) * times) }, step)))
    }
    const bounded = (width: number): number => Math.round(Math.max(bounds.smallestPicture, Math.min(bounds.widest, width)))

    /** The topic is as it was before. */
    function take(topics: readonly string[] = map.chosen): void {
        const rows = topics.filter((id) => pictureOf(id) !== undefined)
        if (rows.length > 0) {
            map.edit({ name: 'row.remove', type: 'picture', rows: [...rows] })
        }
    }

    const move = (from: string, to: string): void => map.edit({ name: 'picture.move', topic: from, to })

    /** Lets a picture stand on the board as a loose topic of its own. */
    function moveOut(from: string, x: number, y: number): void {
        const step = newId()
        const id = newId()
        map.edit({ name: 'topic.add', step, topic: { id, title: '' }, parent: null, x: Math.round(x), y: Math.round(y) }, { name: 'picture.move', step, topic: from, to: id })
        map.choose(id)
    }

    /** The picture of a topic for those who cannot see it. */
    const describe = (topic: string): string => String(pictureOf(topic)?.fields.about ?? '') || plainTitle(map.tree.topics.get(topic)?.title ?? '')

    /** That there is a picture, and what is on it. */
    function told(topic: string): string {
        const row = rowOf(beside.tree, 'picture', topic)
        const source = String(row?.fields.source ?? '')
        const about = String(row?.fields.about ?? '') || (source.startsWith('drawing:') ? source.slice(8).replace(/-/g, ' ') : '')
        return source === '' ? '' : about === '' ? 'with a picture' : `with a picture: ${about}`
    }

    return { told, coming, opened, picked, chooser, current, pictureOf, has, bring, choose, draw, set, grow, bounded, take, move, moveOut, describe, widthOf }
})
