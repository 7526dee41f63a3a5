import { computed, ref, shallowRef } from 'vue'
import type { EditsAnswer, OpenAnswer, Missed, Present, Role } from '@/api/wire'

/** What one may do in the map that is open, who else may, who of them is here, and what they said and did. */
export function createCompany() {
    /** What this person may do here. */
    const role = ref<Role>('owner')
    const mayEdit = computed(() => role.value === 'edit' || role.value === 'owner')
    const mayComment = computed(() => role.value !== 'view')
    const isOwner = computed(() => role.value === 'owner')
    /** Whether anybody else may open it, so that there may be news at any time. */
    const isShared = ref(false)
    /** Another number whenever anything was said in it. */
    const talk = ref(0)
    /** Who else has it open now. */
    const others = shallowRef<readonly Present[]>([])
    /** Which of them one is. */
    const me = ref(0)
    /** Whether one is told what is new without asking. */
    const listens = ref(false)
    /** Where one writes in the note of the topic that is chosen; null where one does not. */
    const caret = ref<number | null>(null)
    /** Whom one follows, from topic to topic. */
    const followed = ref<number | null>(null)
    /** What others did since this person had it open last. */
    const missed = shallowRef<Missed | null>(null)

    /** The same as before changes nothing that is drawn. */
    function takeOthers(all: readonly Present[]): void {
        const now = all.filter((one) => one.id !== me.value)
        if (JSON.stringify(now) !== JSON.stringify(others.value)) {
            others.value = now
            followed.value = now.some(({ id: one }) => one === followed.value) ? followed.value : null
        }
    }

    /** All there is to know when a map is opened. */
    function meet(answer: OpenAnswer): void {
        role.value = answer.role
        me.value = answer.me
        missed.value = answer.missed ?? null
        hear(answer)
    }

    /** What any answer tells of the others. */
    function hear(answer: Pick<EditsAnswer, 'isShared' | 'talk' | 'others'>): void {
        isShared.value = answer.isShared
        talk.value = answer.talk
        takeOthers(answer.others)
    }

    function part(): void {
        role.value = 'owner'
        isShared.value = false
        talk.value = 0
        others.value = []
        followed.value = null
        missed.value = null
    }

    return { role, mayEdit, mayComment, isOwner, isShared, talk, others, me, listens, caret, followed, missed, takeOthers, meet, hear, part }
}
