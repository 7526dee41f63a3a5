import { Extension, InputRule } from '@tiptap/core'

/** How a language sets what somebody says, and what is put in between. */
export interface Quotation {
    readonly value: string
    readonly label: string
    readonly double: readonly [string, string]
    readonly single: readonly [string, string]
    readonly dash: string
}

/** A space at which no line breaks, as narrow as French sets it. */
const THIN = '\u202f'

/** Those that are offered: Unicode 15, section 6.2, and the Unicode CLDR's delimiters of each language. */
export const quotations: readonly Quotation[] = [
    { value: 'en', label: 'English “ ”', double: ['“', '”'], single: ['‘', '’'], dash: '—' },
    { value: 'en-GB', label: 'English, single first ‘ ’', double: ['‘', '’'], single: ['“', '”'], dash: '–' },
    { value: 'de', label: 'German „ “', double: ['„', '“'], single: ['‚', '‘'], dash: '–' },
    { value: 'fr', label: 'French « »', double: [`«${THIN}`, `${THIN}»`], single: ['“', '”'], dash: '—' },
    { value: 'de-CH', label: 'Swiss « »', double: ['«', '»'], single: ['‹', '›'], dash: '–' },
    { value: 'es', label: 'Spanish, Italian « »', double: ['«', '»'], single: ['“', '”'], dash: '—' },
    { value: 'da', label: 'Danish » «', double: ['»', '«'], single: ['›', '‹'], dash: '–' },
    { value: 'sv', label: 'Swedish, Finnish ” ”', double: ['”', '”'], single: ['’', '’'], dash: '–' },
    { value: 'pl', label: 'Polish „ ”', double: ['„', '”'], single: ['«', '»'], dash: '–' },
]

/** Behind these, and at the beginning of a line, somebody begins to speak. */
const OPENS = /^$|[\s([{“„‘‚«»‹›—–\ufffc]$/u
/** Within words it is an apostrophe, whatever the language. */
const APOSTROPHE = '’'

/**
 * Sets quotes, dashes and the three dots while one types, as a language has them; Backspace right after gives back what
 * was typed. In code everything stays as it is typed.
 */
export function quoteTyping(chosen: () => Quotation | null): Extension {
    const rule = (find: RegExp, put: (its: Quotation, before: string) => string): InputRule => new InputRule({
        find,
        handler: ({ state, range }) => {
            const its = chosen()
            if (its === null) {
                return null
            }
            const { $from } = state.selection
            state.tr.insertText(put(its, state.doc.textBetween($from.start(), range.from, '\n', '\ufffc')), range.from, range.to)
            return undefined
        },
    })
    return Extension.create({
        name: 'quoteTyping',
        addInputRules: () => [
            rule(/"$/, ({ double }, before) => double[opens(before, double) ? 0 : 1]),
            rule(/'$/, ({ single }, before) => (opens(before, single) ? single[0] : closes(before, single) ? single[1] : APOSTROPHE)),
            rule(/--$/, ({ dash }) => dash),
            rule(/\.\.\.$/, () => '…'),
        ],
    })
}

/** Whether one is open there that was not closed. */
const isOpen = (before: string, [open, close]: readonly [string, string]): boolean => open !== close && before.lastIndexOf(open) > before.lastIndexOf(close)
const opens = (before: string, pair: readonly [string, string]): boolean => OPENS.test(before) && (/(^|\s)$/u.test(before) || !isOpen(before, pair))
/** Behind a letter it is an apostrophe sooner, where a language closes with another sign. */
const closes = (before: string, pair: readonly [string, string]): boolean => isOpen(before, pair) && (pair[1] === '‘' || pair[1] === APOSTROPHE || !/\p{L}$/u.test(before))
