import type { Component } from 'vue'
import type { Action } from '@/actions/registry'

/** A page of the tray: things that can be put on topics. */
export interface TrayPage {
    readonly name: string
    readonly component: Component
}

/** The sections of the desk that features have their parts in, in their order. */
export const deskSections = ['Facts', 'Look', 'Files'] as const
export interface DeskPart { readonly in: (typeof deskSections)[number]; readonly component: Component }

/** What a feature hands in; see the core's Feature. */
export interface Feature {
    /** As in the core. */
    readonly name: string
    readonly actions: readonly Action[]
    /** What it has to say of the chosen topic, in the head of the desk. */
    readonly deskHint?: Component
    /** Its parts of the desk, for what is chosen. */
    readonly desk?: readonly DeskPart[]
    /** What it draws on the board for the hand, above the topics. */
    readonly onBoard?: Component
    /** What it shows over the map when it is asked for: its dialogs. */
    readonly overlay?: Component
    /** Its pages of the tray. */
    readonly trayPages?: readonly TrayPage[]
    /** Does what a part of its marks is for; see "touch" in the wire's Primitive. */
    readonly touch?: (touch: string) => void
    /** What it has put on a topic, for those who do not see the board; nothing where there is none. */
    readonly tells?: (topic: string) => string
    /** Takes what is pasted, if that is its own. */
    readonly paste?: (data: DataTransfer) => boolean
}
