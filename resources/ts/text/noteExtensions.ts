import type { AnyExtension } from '@tiptap/core'
import Blockquote from '@tiptap/extension-blockquote'
import Bold from '@tiptap/extension-bold'
import Code from '@tiptap/extension-code'
import CodeBlock from '@tiptap/extension-code-block'
import Document from '@tiptap/extension-document'
import HardBreak from '@tiptap/extension-hard-break'
import Heading from '@tiptap/extension-heading'
import HorizontalRule from '@tiptap/extension-horizontal-rule'
import Italic from '@tiptap/extension-italic'
import { BulletList, ListItem, ListKeymap, OrderedList, TaskItem, TaskList } from '@tiptap/extension-list'
import Paragraph from '@tiptap/extension-paragraph'
import Strike from '@tiptap/extension-strike'
import Subscript from '@tiptap/extension-subscript'
import Superscript from '@tiptap/extension-superscript'
import Text from '@tiptap/extension-text'
import Underline from '@tiptap/extension-underline'
import { Gapcursor } from '@tiptap/extensions/gap-cursor'
import { TrailingNode } from '@tiptap/extensions'
import { UndoRedo } from '@tiptap/extensions/undo-redo'
import { LinkMark } from './linkMark'
import { Asides } from './noteAsides'
import { Formula } from './noteFormula'
import { NotePicture } from './notePicture'
import { noteTable } from './noteTable'

const hidden = (initial: unknown) => ({ default: initial, rendered: false })

/** What the formatted editor of notes knows: all that Markdown commonly holds, and how it was written there. */
export const noteExtensions: AnyExtension[] = [
    Document, Paragraph, Text, Heading, Blockquote, CodeBlock, HorizontalRule, Bold, Italic, Underline, Strike, Code, UndoRedo, Gapcursor, TrailingNode, ListItem, ListKeymap,
    LinkMark,
    HardBreak.extend({ addAttributes: () => ({ soft: hidden(false), sign: hidden(null) }) }),
    BulletList.extend({ addAttributes() { return { ...this.parent?.(), sign: hidden(null) } } }),
    OrderedList.extend({ addAttributes() { return { ...this.parent?.(), sign: hidden(null) } } }),
    Subscript,
    Superscript,
    TaskList,
    TaskItem.configure({ nested: true }),
    ...noteTable,
    Formula,
    NotePicture,
    Asides,
]
