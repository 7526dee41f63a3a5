<script setup lang="ts">
import { NAutoComplete } from 'naive-ui'
import { computed, nextTick, ref } from 'vue'
import { useSigns } from './signStore'

/** A tag is put on what is chosen by typing it; those of the map that fit are offered, any other is made. */
defineProps<{ name: string; placeholder: string }>()

const signs = useSigns()
const typed = ref('')
const options = computed(() => signs.tags.map(({ name }) => name).filter((name) => name.toLowerCase().includes(typed.value.trim().toLowerCase())))

function put(name: string): void {
    signs.putNamed(name)
    // The field would have what was taken from the list.
    void nextTick(() => (typed.value = ''))
}

/** Enter takes what the list has under the arrow, which tells of it itself, or else what was typed. */
let isTaken = false
function take(name: string): void {
    isTaken = true
    setTimeout(() => (isTaken = false))
    put(name)
}
function enter(): void {
    void nextTick(() => {
        if (!isTaken) {
            put(typed.value)
        }
    })
}
</script>

<template>
    <NAutoComplete
        :value="typed" size="small" :options="options" :placeholder="placeholder" :input-props="{ 'aria-label': name, maxlength: 60 }"
        @update:value="(value: string | null) => (typed = value ?? '')" @select="(value: string | number) => take(String(value))" @keydown.enter="enter" />
</template>
