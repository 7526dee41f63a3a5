<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import { peopleIn } from '@/facts/facts'
import { useMap } from '@/stores/map'
import { type Column, type Typing } from './tableStore'

/** A cell while one types in it: what is there is replaced or changed, and completed from what is known. */
const props = defineProps<{ typing: Typing; column: Column }>()
const emit = defineEmits<{ done: [text: string | null, lines: number, across: number] }>()

const MOST = 8
const map = useMap()
const text = ref(props.typing.text)
const field = ref<HTMLInputElement | HTMLTextAreaElement | null>(null)
const at = ref(-1)
let isOver = false

const isLong = computed(() => props.column.form === 'text')
const isList = computed(() => props.column.form === 'choices' || props.column.form === 'people')
const known = computed(() => (props.column.key === 'tags' || props.column.form !== 'people' ? props.column.choices : peopleIn(map.tree)))
/** What completes what is typed last. */
const offered = computed(() => {
    if (known.value.length === 0) {
        return []
    }
    const parts = isList.value ? text.value.split(',') : [text.value]
    const last = (parts.at(-1) ?? '').trim().toLowerCase()
    const before = parts.slice(0, -1).map((part) => part.trim())
    const isAsFound = text.value === props.typing.text && !props.typing.leaves
    return known.value.filter((name) => !before.includes(name) && (last === '' || (isAsFound && !isList.value) || (name.toLowerCase() !== last && name.toLowerCase().split(/\s+/).some((word) => word.startsWith(last))))).slice(0, MOST).map((name) => ({ name, whole: [...before, name].join(', ') }))
})

onMounted(() => void nextTick(() => {
    field.value?.focus()
    if (props.typing.leaves) {
        field.value?.setSelectionRange(text.value.length, text.value.length)
    } else {
        field.value?.select()
    }
}))

function end(keep: boolean, lines = 0, across = 0): void {
    if (!isOver) {
        isOver = true
        emit('done', keep ? (offered.value[at.value]?.whole ?? text.value) : null, lines, across)
    }
}
function take(whole: string): void {
    text.value = whole
    at.value = -1
    if (isList.value) {
        field.value?.focus()
    } else {
        end(true)
    }
}
function key(event: KeyboardEvent): void {
    if (event.isComposing || event.keyCode === 229) {
        return
    }
    const plain = !event.ctrlKey && !event.metaKey && !event.altKey
    const step = event.shiftKey ? -1 : 1
    if (event.key === 'Enter' && event.altKey && isLong.value) {
        const { selectionStart: from, selectionEnd: to } = event.target as HTMLTextAreaElement
        text.value = `${text.value.slice(0, from)}\n${text.value.slice(to)}`
        void nextTick(() => field.value?.setSelectionRange(from + 1, from + 1))
    } else if (event.key === 'Enter' && isList.value && offered.value[at.value] !== undefined) {
        take(offered.value[at.value]?.whole ?? '')
    } else if (event.key === 'Enter') {
        end(true, step)
    } else if (event.key === 'Tab') {
        end(true, 0, step)
    } else if (event.key === 'Escape') {
        end(false)
    } else if ((event.key === 'ArrowDown' || event.key === 'ArrowUp') && plain && offered.value.length > 0) {
        at.value = Math.max(-1, Math.min(offered.value.length - 1, at.value + (event.key === 'ArrowDown' ? 1 : -1)))
    } else if (props.typing.leaves && plain && (event.key === 'ArrowDown' || event.key === 'ArrowUp')) {
        end(true, event.key === 'ArrowDown' ? 1 : -1)
    } else {
        event.stopPropagation()
        return
    }
    event.preventDefault()
    event.stopPropagation()
}
</script>

<template>
    <div class="cell-editor" @pointerdown.stop @dblclick.stop>
        <textarea v-if="isLong" ref="field" v-model="text" rows="4" dir="auto" :aria-label="column.words" :maxlength="20000" @keydown="key" @blur="end(true)" @paste.stop @copy.stop @cut.stop />
        <input v-else ref="field" v-model="text" dir="auto" autocomplete="off" :spellcheck="column.form === 'line'" :aria-label="column.words" :maxlength="4000" @keydown="key" @blur="end(true)" @paste.stop @copy.stop @cut.stop />
        <ul v-if="offered.length > 0" role="listbox">
            <li v-for="(one, i) in offered" :key="one.name" role="option" :aria-selected="i === at" :class="{ at: i === at }" @pointerdown.prevent="take(one.whole)">{{ one.name }}</li>
        </ul>
    </div>
</template>

<style scoped>
.cell-editor { position: absolute; inset: -1px; z-index: 3; }
input, textarea { box-sizing: border-box; width: 100%; min-width: 100%; height: calc(100% + 1px); border: 2px solid var(--tide); border-radius: 2px; padding: 0 6px; background: var(--slip); color: var(--ink); font: inherit; outline: none; }
textarea { height: 110px; min-width: 260px; padding: 5px 6px; resize: none; }
ul { position: absolute; top: calc(100% + 3px); left: 0; min-width: 100%; margin: 0; padding: 4px 0; list-style: none; background: var(--slip); border: 1px solid var(--edge); border-radius: 6px; box-shadow: 0 6px 18px rgb(0 0 0 / 18%); white-space: nowrap; }
li { padding: 4px 10px; cursor: pointer; }
li.at, li:hover { background: color-mix(in srgb, var(--tide) 16%, transparent); }
</style>
