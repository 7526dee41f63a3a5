import { ref } from 'vue'

/** One thing of a list whose name is being typed in its place. */
export function useNaming<T extends { readonly id: string }>(nameOf: (one: T) => string, rename: (one: T, name: string) => void) {
    const naming = ref<string | null>(null)
    const typed = ref('')
    function begin(one: T): void {
        naming.value = one.id
        typed.value = nameOf(one)
    }
    function end(one: T): void {
        if (naming.value === one.id) {
            naming.value = null
            rename(one, typed.value.trim())
        }
    }
    return { naming, typed, begin, end }
}
