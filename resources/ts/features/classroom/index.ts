import { defineAsyncComponent } from 'vue'
import type { Action } from '@/actions/registry'
import { onTopics } from '@/actions/conditions'
import type { Feature } from '../feature'
import GivenDoor from './GivenDoor.vue'

const IdeasPanel = defineAsyncComponent(() => import('@/classroom/IdeasPanel.vue'))

const classActions: readonly Action[] = [
    { id: 'class.give', name: 'Give out to a class', group: 'Map', keys: [], scopes: onTopics, available: ({ map }) => map.mayEdit, run: ({ map, router }) => void router.push(`/classes?map=${map.id}`) },
    { id: 'class.ideas', name: 'Ideas by code', group: 'Map', keys: [], scopes: onTopics, available: ({ map }) => map.mayEdit, opens: '.ideas-panel', run: ({ ui }) => ui.toggleSide('ideas') },
]

/** What a map has to do with a class: giving it out, ideas that come by a code, and in a copy what is asked. */
export const classroom: Feature = { name: 'classroom', actions: classActions, sides: { ideas: IdeasPanel }, strip: GivenDoor }
