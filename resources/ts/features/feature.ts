import type { Component } from 'vue'
import type { Action } from '@/actions/registry'
import type { Landing } from '@/stores/drag'
import type { OwnWay } from '@/stores/preferences'
import type { Side } from '@/ui/uiStore'
import type { MenuLine } from '@/ui/useMenu'

/** A page of the tray: things that can be put on topics. */
export interface TrayPage {
    readonly name: string
    readonly component: Component
}

/** The sections of the desk that features have their parts in, in their order. */
export const deskSections = ['Facts', 'Look', 'Ties', 'Files'] as const
export interface DeskPart { readonly in: (typeof deskSections)[number]; readonly component: Component }

/** Topics that are dragged over the board, and where. */
export interface Dragged {
    readonly ids: readonly string[]
    /** On the board. */
    readonly x: number
    readonly y: number
    /** In the window. */
    readonly clientX: number
    readonly clientY: number
    /** Whether Shift is held. */
    readonly ties: boolean
}

/** A line that a feature has below a topic in the outline. */
export interface TiedLine { readonly id: string; readonly text: string; readonly isOn: boolean; readonly act: () => void }

/** What a feature hands in; see the core's Feature. */
export interface Feature {
    /** As in the core. */
    readonly name: string
    readonly actions: readonly Action[]
    /** What it has to say of the chosen topic, in the head of the desk. */
    readonly deskHint?: Component
    /** Its parts of the desk, for what is chosen. */
    readonly desk?: readonly DeskPart[]
    /** A way of seeing of its own: what stands at the left of the board then, at the desk, and on the board; or in its place. "place" is where it comes among all of them, after outline and board; "hasNote" says that the note is written there, and not at the desk. */
    readonly way?: { readonly id: OwnWay; readonly name: string; readonly place: number; readonly hasNote?: true; readonly left?: Component; readonly desk?: Component; readonly onBoard?: Component; readonly middle?: Component }
    /** What it has of the chosen topic for who only looks at the map. */
    readonly reading?: Component
    /** What it draws on the board above the topics: for the hand, and so not for those who only look, or "forAll". */
    readonly onBoard?: Component
    readonly forAll?: true
    /** What it shows over the map when it is asked for: its dialogs. */
    readonly overlay?: Component
    /** What it has in a strip above the map. */
    readonly strip?: Component
    /** Its panels that stand where the desk does, by the name under which they are asked for. */
    readonly sides?: Readonly<Partial<Record<Side, Component>>>
    /** Its pages of the tray. */
    readonly trayPages?: readonly TrayPage[]
    /** Its parts of the desk while its marks are what is chosen. */
    readonly deskOfMarks?: { readonly type: string; readonly component: Component }
    /** Does what a part of its marks is for; see "touch" in the wire's Primitive. */
    readonly touch?: (touch: string, event: MouseEvent) => void
    /** A part of its marks is pressed, which may become a drag; or was clicked twice, and it says whether that was its own. */
    readonly press?: (touch: string, event: PointerEvent) => void
    readonly twice?: (touch: string, event: MouseEvent) => boolean
    /** What the menu offers on a part of its marks, which is chosen then; nothing where that is none of its own. */
    readonly menu?: (touch: string) => readonly MenuLine[] | undefined
    /** Takes a topic that is clicked, if it waits for one. */
    readonly picks?: (topic: string) => boolean
    /** Where dragged topics would land on what is its own; null where they would not. */
    readonly landing?: (dragged: Dragged) => Landing | null
    /** What it has below topics in the outline, by topic. */
    readonly lines?: () => ReadonlyMap<string, readonly TiedLine[]>
    /** What it has before the title of a topic in the outline; it is given the topic. */
    readonly inLine?: Component
    /** What is chosen of its own, for those who do not see it. */
    readonly spoken?: () => string
    /** What it has put on a topic, for those who do not see the board; nothing where there is none. */
    readonly tells?: (topic: string) => string
    /** Takes what is pasted, if that is its own. */
    readonly paste?: (data: DataTransfer) => boolean
}
