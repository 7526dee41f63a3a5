import { defineAsyncComponent } from 'vue'
import { onTopics } from '@/actions/conditions'
import type { Feature } from '../feature'

const RulesPanel = defineAsyncComponent(() => import('./RulesPanel.vue'))

export const rule: Feature = {
    name: 'rule', sides: { rules: RulesPanel },
    actions: [{ id: 'rule.panel', name: 'Looks that follow the data', group: 'Tracking', keys: ['Mod+F6'], scopes: [...onTopics, 'field'], run: ({ ui }) => ui.toggleSide('rules') }],
}
