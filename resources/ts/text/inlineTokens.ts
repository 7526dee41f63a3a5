import type MarkdownIt from 'markdown-it'
import type { StateInline } from 'markdown-it/index.js'

/** The tags that stand for formatting, where signs cannot; the same as the core's InlineParser knows. */
const TAGS: Record<string, string> = { u: 'u', b: 'strong', i: 'em', s: 's', sub: 'sub', sup: 'sup' }

/** Turns <u>, <b>, <i>, <s>, <sub>, <sup> and their ends into tokens of formatting, <br> into a line break, and all other HTML into text. */
export function readTags(markdown: MarkdownIt): void {
    markdown.core.ruler.push('tags', (state) => {
        for (const block of state.tokens) {
            for (const token of block.children ?? []) {
                if (token.type === 'html_inline') {
                    const [, end = '', tag = ''] = /^<(\/?)([ubis]|su[bp])>$/i.exec(token.content) ?? []
                    const name = TAGS[tag.toLowerCase()]
                    token.type = name !== undefined ? `${name}_${end === '' ? 'open' : 'close'}` : /^<br\s*\/?>$/i.test(token.content) ? 'hardbreak' : 'text'
                    token.content = token.type === 'text' ? token.content : ''
                    token.markup = token.type === 'hardbreak' ? '<br>' : token.markup
                }
            }
        }
    })
}

/** As CommonMark has line breaks, but the token of a hard one tells how it is written: two spaces or a backslash. */
export function tellBreaks(markdown: MarkdownIt): void {
    markdown.inline.ruler.at('newline', (state: StateInline, silent: boolean) => {
        if (state.src[state.pos] !== '\n') {
            return false
        }
        if (!silent) {
            const text = state.pending.replace(/ +$/, '')
            const isHard = state.pending.length - text.length >= 2
            state.pending = text
            const token = state.push(isHard ? 'hardbreak' : 'softbreak', 'br', 0)
            token.markup = isHard ? '  ' : ''
        }
        state.pos++
        while (state.src[state.pos] === ' ' || state.src[state.pos] === '\t') {
            state.pos++
        }
        return true
    })
}
