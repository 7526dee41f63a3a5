/** What is heard of a text that is spoken. */
export interface Heard {
    /** The word that is spoken now, by where it begins and how long it is in the text. */
    readonly word: (at: number, length: number) => void
    readonly end: () => void
    /** It cannot be spoken, in a sentence. */
    readonly fail: (sentence: string) => void
}

/** A text that is being spoken. After it is stopped nothing of it is heard. */
export interface Speaking {
    pause(): void
    resume(): void
    stop(): void
    /** Times as fast as usual. */
    setSpeed(speed: number): void
}

/** Somebody who speaks. */
export interface Voice {
    /** Never changes. */
    readonly id: string
    readonly name: string
    /** A tag such as "en-GB". */
    readonly language: string
    /** @param speed times as fast as usual */
    speak(text: string, speed: number, heard: Heard): Speaking
    /** Makes ready what is spoken next, where that takes time. */
    prepare?(text: string): void
}

/** Whether two tags are of one language: "en-GB" and "en_us" are. */
export const isOneLanguage = (a: string, b: string): boolean => base(a) === base(b)
export const base = (tag: string): string => tag.toLowerCase().split(/[-_]/)[0] ?? ''

/** Signs of words that are parted from each other by others; some scripts part none, and there a word is what was told. */
const PARTED = /[\p{L}\p{N}\p{M}'’]/u
const UNPARTED = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}\p{Script=Lao}\p{Script=Khmer}\p{Script=Myanmar}]/u

/** The whole word that stands at a place, where only a part of it was told, as of a number. */
export function wordAt(text: string, at: number, length: number): { at: number; length: number } {
    let [from, to] = [Math.max(0, Math.min(text.length, at)), Math.min(text.length, at + Math.max(1, length))]
    while (to > from + 1 && /\s/.test(text[to - 1] ?? '')) {
        to--
    }
    const isWord = (sign: string | undefined): boolean => sign !== undefined && PARTED.test(sign) && !UNPARTED.test(sign)
    while (from > 0 && isWord(text[from - 1]) && isWord(text[from])) {
        from--
    }
    while (to < text.length && isWord(text[to]) && isWord(text[to - 1])) {
        to++
    }
    return { at: from, length: to - from }
}
