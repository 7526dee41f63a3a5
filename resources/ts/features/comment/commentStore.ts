import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { api } from '@/api/client'
import { latest } from '@/api/latest'
import type { CommentsAnswer, SaidComment } from '@/api/wire'
import { newId, useMap } from '@/stores/map'
import { tell } from '@/ui/tell'
import { useCommentCounts } from './commentCounts'

/** What was said first, and the answers to it. */
export interface Thread { readonly first: SaidComment; readonly answers: readonly SaidComment[] }

/** What people say to each other about the topics of the map that is open. */
export const useComments = defineStore('comments', () => {
    const map = useMap()
    const all = shallowRef<readonly SaidComment[]>([])
    const people = shallowRef<readonly string[]>([])
    /** What is being written, by topic or by the comment that it answers. */
    const drafts = ref<Record<string, string>>({})
    const showsSettled = ref(false)
    /** Asks the panel for the field in which one writes. */
    const wantsField = ref(0)
    const asking = latest()
    let known = ''

    function take(its: string, answer: CommentsAnswer): void {
        if (its === map.id) {
            all.value = answer.comments
            people.value = answer.people
            known = `${its} ${answer.talk}`
        }
    }

    watch([() => map.id, () => map.talk, () => map.mayComment], async ([id, talk, mayComment]) => {
        if (id === '' || !mayComment) {
            asking.drop()
            all.value = []
            return
        }
        if (known === `${id} ${talk}`) {
            return
        }
        const isWanted = asking.begin()
        if (!known.startsWith(id)) {
            all.value = []
        }
        // Nothing was ever said in most maps.
        const answer = talk === 0 ? null : await api.comments(id).catch(() => null)
        if (isWanted() && answer !== null) {
            take(id, answer)
        }
    }, { immediate: true })

    const there = computed(() => all.value.filter(({ topic }) => map.tree.topics.has(topic)))
    const threads = computed<readonly Thread[]>(() => there.value.filter(({ parent }) => parent === null).map((first) => ({ first, answers: there.value.filter(({ parent }) => parent === first.id) })))
    const open = computed(() => threads.value.filter(({ first }) => !first.isResolved))
    const seen = useCommentCounts()
    watch(open, (now) => {
        const found = new Map<string, number>()
        now.forEach(({ first: { topic } }) => found.set(topic, (found.get(topic) ?? 0) + 1))
        seen.counts = found
    }, { immediate: true, flush: 'sync' })
    const at = (topic: string): readonly Thread[] => threads.value.filter(({ first }) => first.topic === topic && (showsSettled.value || !first.isResolved))

    async function attempt(does: (its: string) => Promise<CommentsAnswer>): Promise<boolean> {
        const its = map.id
        try {
            take(its, await does(its))
            return true
        } catch (error) {
            tell.error((error as Error).message)
            return false
        }
    }
    /** Under one id however often it is tried, so that it is said once. */
    const ids = new Map<string, string>()
    async function say(topic: string, parent: string | null): Promise<void> {
        const key = parent ?? topic
        const text = drafts.value[key]?.trim() ?? ''
        if (text === '') {
            return
        }
        const id = ids.get(key) ?? newId()
        ids.set(key, id)
        if (await attempt((its) => api.say(its, { id, topic, parent, text }))) {
            ids.delete(key)
            drafts.value = { ...drafts.value, [key]: '' }
        }
    }
    const change = (comment: string, text: string): Promise<boolean> => attempt(() => api.changeComment(comment, text))
    const settle = (comment: string, isSettled: boolean): Promise<boolean> => attempt(() => api.resolveComment(comment, isSettled))
    const remove = (comment: string): Promise<boolean> => attempt(() => api.removeComment(comment))

    /** Who may be named; asked for when somebody begins to write where nothing was said yet. */
    async function meetPeople(): Promise<void> {
        if (people.value.length === 0 && map.id !== '') {
            await attempt((its) => api.comments(its))
        }
    }

    return { all, people, drafts, showsSettled, wantsField, threads, open, at, say, change, settle, remove, meetPeople }
})
