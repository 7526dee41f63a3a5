import type { Component } from 'vue'
import type { Action } from '@/actions/registry'

/** What a feature hands in; see the core's Feature. */
export interface Feature {
    /** As in the core. */
    readonly name: string
    readonly actions: readonly Action[]
    /** What it has to say of the chosen topic, in the head of the desk. */
    readonly deskHint?: Component
    /** Its part of the desk, for what is chosen. */
    readonly deskSection?: Component
}
