import { computed, nextTick, ref, useTemplateRef, watch, type Ref } from 'vue'

/** A box to type in and a list below it (ref="list" in the template), gone through by arrow keys: which entry is current, and keeping it in view. */
export function usePickList<Entry>(words: Ref<string>, entries: Ref<readonly Entry[]>) {
    const at = ref(0)
    const list = useTemplateRef<HTMLElement>('list')
    const current = computed(() => entries.value[at.value])

    watch(words, () => (at.value = 0))

    function move(by: number): void {
        at.value = (at.value + by + entries.value.length) % Math.max(1, entries.value.length)
        void nextTick(() => list.value?.querySelector('.current')?.scrollIntoView({ block: 'nearest' }))
    }

    return { at, current, move }
}
