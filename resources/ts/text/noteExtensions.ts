import type { AnyExtension } from '@tiptap/core'
import HardBreak from '@tiptap/extension-hard-break'
import Link from '@tiptap/extension-link'
import { BulletList, OrderedList, TaskItem, TaskList } from '@tiptap/extension-list'
import Subscript from '@tiptap/extension-subscript'
import Superscript from '@tiptap/extension-superscript'
import StarterKit from '@tiptap/starter-kit'
import { Formula } from './noteFormula'
import { noteTable } from './noteTable'

const hidden = (initial: unknown) => ({ default: initial, rendered: false })

/** What the formatted editor of notes knows: all that Markdown commonly holds, and how it was written there. */
export const noteExtensions: AnyExtension[] = [
    StarterKit.configure({ link: false, hardBreak: false, bulletList: false, orderedList: false }),
    Link.extend({ addAttributes() { return { ...this.parent?.(), title: { default: null } } } }).configure({ openOnClick: false }),
    HardBreak.extend({ addAttributes: () => ({ soft: hidden(false), sign: hidden(null) }) }),
    BulletList.extend({ addAttributes() { return { ...this.parent?.(), sign: hidden(null) } } }),
    OrderedList.extend({ addAttributes() { return { ...this.parent?.(), sign: hidden(null) } } }),
    Subscript,
    Superscript,
    TaskList,
    TaskItem.configure({ nested: true }),
    ...noteTable,
    Formula,
]
