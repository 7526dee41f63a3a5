import { useStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { api } from '@/api/client'
import { latest } from '@/api/latest'
import type { ChecksAnswer, Edit, ShapeAnswer, ThreadGridAnswer } from '@/api/wire'
import { fieldIds, kindOf, linesOf, today, valuesAt } from '@/facts/facts'
import { storyFields, storyKinds } from '@/facts/shipped'
import { leftTables } from '@/stores/leftTables'
import { newId, useMap } from '@/stores/map'
import { usePreferences } from '@/stores/preferences'
import { childrenOf, rowOf, rowsOf } from '@/stores/tree'
import { tell } from '@/ui/tell'
import { useUi } from '@/ui/uiStore'
import { useDraft } from '../draftStore'

export type Row = ThreadGridAnswer['rows'][number]
export type Cell = Row['cells'][number]
export const ROWS = [
    { value: 'people', label: 'People' }, { value: 'places', label: 'Places' }, { value: 'objects', label: 'Objects' }, { value: 'sources', label: 'Sources' }, { value: 'threads', label: 'Threads' }, { value: 'tags', label: 'Tags' },
] as const
type Rows = (typeof ROWS)[number]['value']

/** More scenes than this are told by their chapters first. */
const MANY = 60
const RESTS = 200
const SCENES = 'Scenes'

/** A draft as a plan: who and what is in which scene, what does not fit together, the shape of it. */
export const usePlan = defineStore('plan', () => {
    const map = useMap()
    const draft = useDraft()
    const preferences = usePreferences()
    const ui = useUi()

    const rows = useStorage<Rows>('chalk-threads-rows', 'people')
    const by = ref<'scene' | 'chapter' | null>(null)
    const grid = shallowRef<ThreadGridAnswer | null>(null)
    const shape = shallowRef<ShapeAnswer | null>(null)
    const found = shallowRef<ChecksAnswer['found']>([])
    const problem = ref('')
    const isListing = ref(false)

    const asking = latest()
    /** Asks anew whatever is seen; what was seen stays until the answer is there. */
    watch([() => draft.form, () => draft.top, rows, by, () => map.seq, () => map.savedState, () => map.id], ([form, top, its, columns, , state], before) => {
        if (form === 'text' || state !== 'saved' || !draft.isSeen) {
            return
        }
        const isWanted = asking.begin()
        setTimeout(async () => {
            if (!isWanted() || map.savedState !== 'saved') {
                return
            }
            try {
                if (form === 'shape') {
                    const answer = await api.shape(map.id, top)
                    shape.value = isWanted() ? answer : shape.value
                } else {
                    let answer = await api.threads(map.id, top, its, columns ?? 'scene')
                    if (columns === null && answer.columns.length > MANY) {
                        answer = await api.threads(map.id, top, its, 'chapter')
                        by.value = isWanted() ? 'chapter' : by.value
                    }
                    grid.value = isWanted() ? answer : grid.value
                }
                const checks = await api.checks(map.id, top)
                found.value = isWanted() ? checks.found : found.value
                problem.value = ''
            } catch (error) {
                problem.value = isWanted() ? (error as Error).message : problem.value
            }
        }, before[0] === form && before[1] === top && before[2] === its && before[3] === columns ? RESTS : 0)
    }, { immediate: true })
    watch(() => map.id, () => {
        by.value = grid.value = shape.value = null
        found.value = []
    })

    const isByChapter = computed(() => by.value === 'chapter')
    const file = (format: string): string => (draft.form === 'shape' ? `/api/maps/${map.id}/draft/shape.${format}?branch=${draft.top}` : `/api/maps/${map.id}/draft/threads.${format}?branch=${draft.top}&rows=${rows.value}&by=${by.value ?? 'scene'}`)

    /** Where in a note one of some names stands first, by letters; null where none does. */
    function firstNamed(note: string, names: readonly string[]): { letters: number; to: number } | null {
        const isLetter = (at: number): boolean => /[\p{L}\p{N}]/u.test(note.charAt(at))
        const places = names.flatMap((name) => {
            for (let at = note.indexOf(name); at >= 0; at = note.indexOf(name, at + 1)) {
                if ((at === 0 || !isLetter(at - 1)) && (!isLetter(at + name.length) || note.charAt(at + name.length) === 's')) {
                    return [{ letters: at, to: at + name.length }]
                }
            }
            return []
        })
        return places.sort((a, b) => a.letters - b.letters || b.to - a.to)[0] ?? null
    }

    /** Into the text of a scene, to where somebody is named there first. */
    function go(topic: string, row: Row | null = null): void {
        draft.form = 'text'
        const place = row === null ? null : firstNamed(map.tree.topics.get(topic)?.note ?? '', row.names)
        setTimeout(() => draft.enter(topic, place ?? 'start'), 40)
    }

    /** The scene of a column, where that is one. */
    function sceneOf(column: number): string | null {
        const its = grid.value?.columns[column]
        if (its === undefined || !isByChapter.value) {
            return its?.topic ?? null
        }
        const scenes = childrenOf(map.tree, its.topic).filter((one) => !draft.isCut(one))
        return its.scenes === 1 ? (scenes[0] ?? its.topic) : null
    }

    const typedNames = (names: readonly string[]): string => names.join(', ')
    const valueEdit = (topic: string, field: string, value: string, step: string): Edit[] => (rowOf(map.tree, 'field', field) === undefined ? [] : [{ name: 'value.set', step, topics: [topic], field, value, today: today() } as Edit])

    /** Puts somebody or something into a scene, or takes it out, as far as fields, tags and links say so. */
    function toggle(row: Row, column: number, isIn?: boolean): void {
        const topic = sceneOf(column)
        if (topic === null) {
            tell.info('This chapter has several scenes. Turn to scenes to say in which of them.')
            return
        }
        const cell = row.cells.find((one) => one.column === column)
        const is = rows.value === 'objects' || rows.value === 'sources' ? cell?.isTied === true : cell?.isSaid === true
        if (isIn === true && is) {
            return
        }
        const step = newId()
        const edits = editsOf(row, topic, is, step)
        if (edits.length === 0) {
            tell.info(rows.value === 'objects' || rows.value === 'sources' ? 'It is linked in the text; take it out there.' : 'Scenes have no field for that here. Give them the kind Scene first.')
        } else {
            map.edit(...edits)
        }
    }

    function editsOf(row: Row, topic: string, is: boolean, step: string): Edit[] {
        const values = valuesAt(map.tree, topic)
        const name = row.names[0] ?? row.name
        const without = (field: string): string[] => linesOf(values[field]).filter((one) => ![row.name, ...row.names].some((its) => its.toLocaleLowerCase() === one.toLocaleLowerCase()))
        switch (rows.value) {
            case 'people':
                return valueEdit(topic, storyFields.inScene, typedNames(is ? without(storyFields.inScene) : [...linesOf(values[storyFields.inScene]), name]), step)
            case 'places':
                return valueEdit(topic, storyFields.place, is ? '' : name, step)
            case 'threads':
                return is
                    ? [storyFields.threads, storyFields.closes].filter((field) => linesOf(values[field]).length > without(field).length).flatMap((field) => valueEdit(topic, field, typedNames(without(field)), step))
                    : valueEdit(topic, storyFields.threads, typedNames([...linesOf(values[storyFields.threads]), name]), step)
            case 'tags': {
                const tag = rowsOf(map.tree, 'tag').find(({ fields }) => fields.name === row.name)
                return tag === undefined ? [] : [{ name: 'topic.tag', step, topics: [topic], tag: tag.id, off: is } as Edit]
            }
            default: {
                const ties = rowsOf(map.tree, 'see-also').filter(({ fields }) => [fields.one, fields.other].includes(topic) && [fields.one, fields.other].includes(row.topic))
                return row.topic === null ? [] : is ? (ties.length === 0 ? [] : [{ name: 'row.remove', step, type: 'see-also', rows: ties.map(({ id }) => id) } as Edit]) : [{ name: 'row.set', step, type: 'see-also', row: newId(), fields: { one: topic, other: row.topic, oneWay: true } } as Edit]
            }
        }
    }

    /** Makes branches chapters and what is below them scenes, and shows all scenes as a table. */
    function make(): void {
        const isSheet = (topic: string): boolean => [topic, ...childrenOf(map.tree, topic)].some((one) => Object.entries(storyKinds).some(([word, kind]) => !['chapter', 'scene'].includes(word) && rowOf(map.tree, 'of-kind', one)?.fields.kind === kind))
        const chosen = map.chosen.length === 0 || map.chosen.includes(map.tree.root) ? childrenOf(map.tree, map.tree.root).filter((topic) => !isSheet(topic)) : map.chosen
        const isDone = (topic: string): boolean => [storyKinds.chapter, storyKinds.scene].some((kind) => kind === rowOf(map.tree, 'of-kind', topic)?.fields.kind)
        const step = newId()
        const columns = ['above', 'title', ...[storyFields.viewpoint, storyFields.place, storyFields.storyDay, storyFields.inScene, storyFields.happens, storyFields.changes, storyFields.threads, storyFields.tension].map((field) => `field:${field}`), 'words']
        seeTable(SCENES, storyKinds.scene, columns, step, [
            ...(chosen.length === 0 || chosen.every((topic) => isDone(topic) && childrenOf(map.tree, topic).every((one) => rowOf(map.tree, 'of-kind', one) !== undefined)) ? [] : [{ name: 'story.plan', step, topics: [...chosen], today: today() } as Edit]),
        ])
    }

    /** Turns to the table of all topics of a kind, which is made where there is none yet. */
    function seeTable(name: string, kind: string, columns: readonly string[], step: string, edits: readonly Edit[]): void {
        const known = rowsOf(map.tree, 'table').find(({ fields }) => fields.name === name)
        const table = known?.id ?? newId()
        map.edit(...edits, ...(known === undefined ? [{ name: 'row.set', step, type: 'table', row: table, fields: { name, deep: true, when: JSON.stringify({ ask: 'kind', is: kind }), columns: columns.join('\n') } } as Edit] : []))
        leftTables.value = { ...leftTables.value, [map.id]: table }
        map.afterAnswer(() => {
            preferences.way = 'table'
            ui.phoneView = 'table'
        })
    }
    /** All characters beside each other, with what their sheets have. */
    function seeCast(): void {
        const kind = rowOf(map.tree, 'kind', storyKinds.character)
        if (kind === undefined) {
            tell.info('There is nobody of the kind Character in this map yet.')
        } else {
            seeTable('Characters', storyKinds.character, ['title', ...fieldIds(kindOf({ id: storyKinds.character, fields: kind.fields })).map((field) => `field:${field}`)], newId(), [])
        }
    }
    /** Whether scenes have the fields of the plan. */
    const hasPlan = computed(() => rowsOf(map.tree, 'kind').some((row) => row.id === storyKinds.scene && fieldIds(kindOf(row)).length > 0))

    return { rows, by, isByChapter, grid, shape, found, problem, isListing, file, go, sceneOf, toggle, make, seeCast, hasPlan }
})
