import type { Component } from 'vue'
import type { Action } from '@/actions/registry'

/** A page of the tray: things that can be put on topics. */
export interface TrayPage {
    readonly name: string
    readonly component: Component
}

/** What a feature hands in; see the core's Feature. */
export interface Feature {
    /** As in the core. */
    readonly name: string
    readonly actions: readonly Action[]
    /** What it has to say of the chosen topic, in the head of the desk. */
    readonly deskHint?: Component
    /** Its part of the desk, for what is chosen. */
    readonly deskSection?: Component
    /** What it draws on the board for the hand, above the topics. */
    readonly onBoard?: Component
    /** What it shows over the map when it is asked for: its dialogs. */
    readonly overlay?: Component
    /** Its page of the tray. */
    readonly trayPage?: TrayPage
}
