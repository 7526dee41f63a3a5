import { useStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { useCamera } from '@/board/cameraStore'
import { isReadable } from '@/board/farLabels'
import { isReadingOpen } from '@/features/aloud/state'
import { useWalk } from '@/show/walkStore'
import { useMap } from '@/stores/map'
import { heldIn, withoutHeld } from '@/stores/privacy'
import { branchOf, topsOf, type Tree } from '@/stores/tree'
import { noteLines } from '@/text/noteText'
import { plainTitle } from '@/text/titleMarkdown'
import { tell } from '@/ui/tell'
import { passagesOf, type Passage } from './passages'
import { Reader, type State } from './reader'
import { isOneLanguage, type Voice } from './voice'
import { allVoices, bestVoice } from './voices'

/** Reading aloud: what is read, by whom, how fast, and the word that is spoken. */
export const useAloud = defineStore('aloud', () => {
    const map = useMap()
    const walk = useWalk()
    const camera = useCamera()
    /** No language and no voice: those that fit the browser. */
    const settings = useStorage('chalk-aloud', { language: '', voice: '', speed: 1, notes: true }, undefined, { mergeDefaults: true })
    const state = ref<State>('idle')
    const passage = shallowRef<Passage | null>(null)
    /** The word that is spoken, in the line of the passage. */
    const word = shallowRef<{ readonly at: number; readonly length: number } | null>(null)
    const voices = shallowRef<readonly Voice[]>([])
    const isOfWalk = ref(false)
    let reader: Reader | null = null
    let asked: Promise<readonly Voice[]> | null = null
    /** How often it was begun or stopped: who speaks may come late. */
    let turns = 0

    const language = computed(() => (settings.value.language === '' ? navigator.language : settings.value.language))
    const voice = computed(() => {
        const { language: wanted, voice: id } = settings.value
        const those = wanted === '' ? voices.value : voices.value.filter((one) => one.language === wanted)
        return those.find((one) => one.id === id) ?? bestVoice(those, language.value) ?? (wanted === '' ? bestVoice(those, 'en') ?? those[0] : undefined)
    })
    /** For what is written in the language of the interface. */
    const interfaceVoice = computed(() => (voice.value !== undefined && isOneLanguage(voice.value.language, 'en') ? voice.value : bestVoice(voices.value, 'en')))

    /** What is read of a topic: what it says, the line below it, its note. */
    function of(tree: Tree, id: string): Passage[] {
        const topic = tree.topics.get(id)
        const lines = topic === undefined ? [] : [plainTitle(topic.title).replace(/\s+/g, ' '), topic.caption, ...(settings.value.notes ? noteLines(topic.note) : [])]
        return lines.flatMap((line) => passagesOf(id, line, voice.value?.language ?? language.value))
    }

    /** Asks the browser and the server who can speak, once. */
    async function ready(): Promise<Voice | undefined> {
        asked ??= allVoices()
        voices.value = await asked
        if (voices.value.length === 0) {
            asked = null
        }
        return voice.value
    }

    async function begin(passages: () => Passage[]): Promise<void> {
        const turn = ++turns
        isReadingOpen.value = true
        const speaks = await ready()
        if (turn !== turns) {
            return
        }
        if (speaks === undefined) {
            stop()
            tell.error(voices.value.length === 0 ? 'Neither this browser nor the server can speak now. Look whether there is a network, and try again.' : 'There is no voice for this language. Choose another one.')
            return
        }
        const all = passages()
        if (all.length === 0 && !isOfWalk.value) {
            stop()
            tell.info('There is nothing to be read here.')
            return
        }
        reader ??= new Reader(speaks, settings.value.speed, {
            state: (now) => (state.value = now),
            passage: (now) => {
                passage.value = now
                word.value = null
            },
            word: (at, length) => (word.value = { at, length }),
            done,
            fail: (sentence) => tell.error(sentence),
        })
        reader.setVoice(speaks)
        reader.turnTo(all)
    }

    /** In a walk, what has been read leads on. */
    function done(): void {
        if (!isOfWalk.value || walk.at === null) {
            stop()
        } else if (walk.can('on')) {
            const was = walk.at
            walk.does('on')
            if (walk.at === was) {
                stop()
            }
        } else {
            stop()
        }
    }

    function stop(): void {
        turns++
        reader?.stop()
        isReadingOpen.value = false
        passage.value = null
        word.value = null
        state.value = 'idle'
    }

    /** Begins to read what is chosen, with all below it or not; or stops, or goes on. */
    function turn(withBelow: boolean): void {
        if (state.value !== 'idle') {
            reader?.turn()
            return
        }
        isOfWalk.value = false
        const tops = withBelow ? topsOf(map.tree, map.chosen) : [...map.chosen]
        // What is private is passed over, unless that is just what is to be read.
        const held = heldIn(map.tree)
        void begin(() => tops.flatMap((top) => {
            const tree = held.has(top) ? map.tree : withoutHeld(map.tree)
            return (withBelow ? branchOf(tree, top) : [top]).flatMap((id) => of(tree, id))
        }))
    }

    const readHere = (): Promise<void> => begin(() => (walk.at === null ? [] : of(withoutHeld(map.tree), walk.at)))

    /** The same in a walk, which goes on with what is read. */
    function turnWalk(): void {
        if (state.value !== 'idle') {
            reader?.turn()
            return
        }
        isOfWalk.value = true
        void readHere()
    }

    watch(() => walk.at, (now) => {
        if (!isOfWalk.value || !isReadingOpen.value) {
            return
        }
        if (now === null) {
            stop()
        } else {
            void readHere()
        }
    })
    watch(() => map.id, stop)
    /** What is read is in view and can be read along, where it is on the board at all. */
    watch(() => passage.value?.topic, (topic) => {
        const slip = topic === undefined || walk.at !== null ? undefined : camera.slipOf(topic)
        if (slip !== undefined && isReadable(slip, camera.scale)) {
            camera.reveal(slip.id)
        } else if (slip !== undefined) {
            camera.centre(slip.id, 1)
        }
    })
    watch(voice, (now) => now !== undefined && reader !== null && state.value !== 'idle' && reader.setVoice(now))
    watch(() => settings.value.speed, (speed) => reader?.setSpeed(speed))

    return { settings, state, passage, word, voices, voice, interfaceVoice, language, ready, turn, turnWalk, stop, again: (): void => reader?.turn(), step: (by: number): void => reader?.step(by) }
})
