<script setup lang="ts">
import { NButton, NInput, NInputNumber } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import type { CopyRow, HandOutAnswer } from '@/api/wire'
import { tell } from '@/ui/tell'
import { classApi } from './api'

/** One copy looked through: what was done with it by name, what is said to it, its points, and whether all may see it. */
const props = defineProps<{ of: HandOutAnswer; row: CopyRow; busy: boolean }>()
const emit = defineEmits<{ take: [() => Promise<HandOutAnswer>] }>()
const words = ref(props.row.words)
const marks = ref<(number | null)[]>([...props.row.marks])
const comment = ref('')
// What another window marked meanwhile, unless something else is being written here.
watch([() => props.row.words, () => props.row.marks], ([said, given], [before, was]) => {
    words.value = words.value === before ? said : words.value
    marks.value = JSON.stringify(marks.value) === JSON.stringify(was) ? [...given] : marks.value
})
const isMarked = computed(() => words.value === props.row.words && JSON.stringify(marks.value) === JSON.stringify(props.row.marks))
const sorts = computed(() => ([
    ['Added', props.row.titles.added, props.row.counts.added, 'kelp'], ['Changed', props.row.titles.changed, props.row.counts.changed, 'dusk'],
    ['Removed', props.row.titles.removed, props.row.counts.removed, 'ember'], ['Left empty', props.row.titles.empty, props.row.counts.empty, 'marigold'],
    ['Missing', props.row.match?.missing ?? [], props.row.match?.missing.length ?? 0, 'heather'],
] as const).filter(([, , count]) => count > 0))

const mark = (): void => emit('take', () => classApi.mark(props.row.id, marks.value, words.value.trim()))
async function say(): Promise<void> {
    const text = comment.value.trim()
    if (text !== '') {
        await classApi.sayTo(props.of.id, text, props.row.id).then(() => {
            comment.value = ''
            tell.info('Said: it stands as a comment at the root of this copy.')
        }, (error: unknown) => tell.warning((error as Error).message))
    }
}
</script>

<template>
    <div class="copy-care">
        <div class="acts">
            <RouterLink v-slot="{ navigate, href }" :to="`/maps/${row.map}`" custom><NButton size="small" type="primary" tag="a" :href="href" @click="navigate">Open the map</NButton></RouterLink>
            <NButton v-if="row.state !== 'in'" size="small" secondary title="It stays as it is until you give it back" @click="emit('take', () => classApi.setState(row.id, 'in'))">Take it in</NButton>
            <NButton v-else size="small" secondary type="primary" title="They see points and words, and can go on" @click="emit('take', () => classApi.setState(row.id, 'back'))">Give it back</NButton>
            <NButton v-if="row.shown !== 'named'" size="small" quaternary title="All of the class may look at it, and see whose it is" @click="emit('take', () => classApi.show(row.id, 'named'))">Show to all, with the name</NButton>
            <NButton v-if="row.shown !== 'nameless'" size="small" quaternary title="All of the class may look at it, and are not told whose it is" @click="emit('take', () => classApi.show(row.id, 'nameless'))">Show without the name</NButton>
            <NButton v-if="row.shown !== null" size="small" quaternary @click="emit('take', () => classApi.show(row.id, null))">Show it no longer</NButton>
        </div>
        <div class="parts">
            <dl>
                <template v-for="[name, titles, count, chalk] in sorts" :key="name"><dt><i :style="{ background: `var(--${chalk})` }" />{{ name }} · {{ count }}</dt><dd dir="auto"><span v-for="(title, n) in titles" :key="n">{{ title === '' ? 'Untitled' : title }}</span><em v-if="count > titles.length">and {{ count - titles.length }} more</em></dd></template>
                <dd v-if="sorts.length === 0" class="none">Nothing was done with it yet.</dd>
            </dl>
            <form class="marking" @submit.prevent="mark">
                <label v-for="(line, n) in of.rubric" :key="n"><span dir="auto">{{ line.name }}</span><NInputNumber v-model:value="marks[n]" size="small" :min="0" :max="line.points" :precision="0" placeholder="–" :input-props="{ 'aria-label': `${line.name}, of ${line.points}` }" /><small>of {{ line.points }}</small></label>
                <NInput v-model:value="words" size="small" type="textarea" :autosize="{ minRows: 2, maxRows: 6 }" :maxlength="2000" placeholder="Words for when it is given back" :input-props="{ 'aria-label': 'Words for when it is given back' }" />
                <NButton size="small" secondary attr-type="submit" :loading="busy" :disabled="isMarked">Keep the marking</NButton>
                <div class="say"><NInput v-model:value="comment" size="small" placeholder="A comment, seen at once" :maxlength="4000" :input-props="{ 'aria-label': 'A comment to this copy' }" @keydown.enter.prevent="say" /><NButton size="small" :disabled="comment.trim() === ''" @click="say">Say it</NButton></div>
            </form>
        </div>
    </div>
</template>

<style scoped>
.copy-care { padding: 12px 16px 16px; position: sticky; left: 0; }
.acts { display: flex; flex-wrap: wrap; gap: 6px; margin-bottom: 12px; }
.parts { display: grid; grid-template-columns: minmax(0, 1fr) 330px; gap: 24px; align-items: start; }
dl { margin: 0; }
dt { font-weight: 600; font-size: 14px; margin-bottom: 2px; display: flex; align-items: center; gap: 7px; }
dt i { width: 10px; height: 10px; border-radius: 3px; }
dd { margin: 0 0 9px; display: flex; flex-wrap: wrap; gap: 4px 6px; }
dd span { background: var(--slip); border: 1px solid var(--faint-edge); border-radius: 5px; padding: 1px 7px; overflow-wrap: anywhere; }
.none, em { color: var(--soft); font-style: normal; }
.marking { display: flex; flex-direction: column; gap: 7px; }
.marking label { display: grid; grid-template-columns: minmax(0, 1fr) 86px 42px; align-items: center; gap: 8px; }
.marking > button { align-self: flex-start; }
.marking label span { overflow-wrap: anywhere; }
small { color: var(--soft); }
.say { display: flex; gap: 6px; margin-top: 4px; }
@media (max-width: 900px) { .copy-care { max-width: calc(100vw - 28px); box-sizing: border-box; } .parts { grid-template-columns: 1fr; } }
</style>
