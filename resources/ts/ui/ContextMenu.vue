<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import type { DropdownOption } from 'naive-ui'
import { computed, nextTick, ref, shallowRef, useTemplateRef } from 'vue'
import { useActions } from '@/actions/useActions'
import { useCamera } from '@/board/cameraStore'
import { useWalk } from '@/show/walkStore'
import { useMap } from '@/stores/map'
import { useTitles } from '@/stores/titles'
import { menuFor } from './contextMenus'
import MenuAt from './MenuAt.vue'
import { isByMenuKey } from './menuKey'
import { features } from '@/features'
import { useMenu, type MenuLine } from './useMenu'
import { useUi } from './uiStore'

/** The menu at the pointer, a finger held down or the menu key: on topics, on the board and in the outline, and on the empty board. */
const HELD = 550
const FAR = 8

const map = useMap()
const camera = useCamera()
const titles = useTitles()
const walk = useWalk()
const ui = useUi()
const { run, menuContext } = useActions()
const { options: menu } = useMenu()
const menuAt = useTemplateRef('menuAt')
const isOnTopic = ref(false)
/** What a mark offers that it is opened on. */
const ofMark = shallowRef<readonly MenuLine[] | undefined>()

const options = computed<DropdownOption[]>(() => {
    if (ofMark.value !== undefined) {
        return menu(ofMark.value)
    }
    const lines = menu(menuFor(menuContext(), isOnTopic.value))
    return isOnTopic.value ? lines : [{ key: 'here', label: 'Add a loose topic here', disabled: map.scope !== null }, ...lines]
})

function topicUnder(target: EventTarget | null): string | null {
    const element = target instanceof Element ? target.closest<HTMLElement>('[data-topic], .outline [role=treeitem]') : null
    return element?.dataset.topic ?? (element?.id.startsWith('line-') === true ? element.id.slice(5) : null)
}

function open(target: EventTarget | null, x: number, y: number): boolean {
    const region = target instanceof Element ? target.closest<HTMLElement>('[data-region]')?.dataset.region : undefined
    if (walk.at !== null || map.editing !== null || (region !== 'board' && region !== 'outline')) {
        return false
    }
    const id = topicUnder(target)
    if (id === null && region === 'outline') {
        return false
    }
    map.region = region
    const touched = id === null && target instanceof Element ? target.closest<SVGElement>('[data-touch]')?.dataset.touch : undefined
    ofMark.value = touched === undefined ? undefined : features.reduce<readonly MenuLine[] | undefined>((found, feature) => found ?? feature.menu?.(touched), undefined)
    if (id !== null && !map.chosen.includes(id)) {
        map.choose(id)
    }
    isOnTopic.value = id !== null
    ui.holdsKeys = true
    menuAt.value?.openAt(x, y)
    return true
}

/** The menu key opens it at what is chosen. */
function openAtChosen(): boolean {
    const line = map.region === 'outline' ? document.getElementById(`line-${map.current ?? ''}`) : document.querySelector(`.board [data-topic="${map.current ?? ''}"]`)
    const box = line?.getBoundingClientRect()
    return line != null && box !== undefined && open(line, box.left + Math.min(40, box.width / 2), box.bottom)
}

useEventListener(window, 'contextmenu', (event) => {
    const isOpen = isByMenuKey(event) ? event.target instanceof Element && event.target.closest('[data-region]') !== null && openAtChosen() : open(event.target, event.clientX, event.clientY)
    if (isOpen) {
        event.preventDefault()
    }
})

/** A finger that stays where it is opens the menu; one that moves drags or pans. */
let held: ReturnType<typeof setTimeout> | undefined
let from = { x: 0, y: 0 }
const letGo = (): void => clearTimeout(held)
useEventListener(window, 'pointerdown', (event) => {
    letGo()
    if (event.pointerType === 'touch' && event.isPrimary) {
        from = { x: event.clientX, y: event.clientY }
        held = setTimeout(() => open(event.target, from.x, from.y), HELD)
    }
}, { capture: true })
useEventListener(window, 'pointermove', (event) => Math.hypot(event.clientX - from.x, event.clientY - from.y) > FAR && letGo(), { capture: true })
useEventListener(window, ['pointerup', 'pointercancel'], letGo, { capture: true })

function select(key: string, place: { x: number; y: number }): void {
    void nextTick(() => {
        if (key === 'here') {
            const point = camera.handle?.toBoard(place.x, place.y)
            titles.addLoose(Math.round(point?.x ?? 0), Math.round(point?.y ?? 0))
        } else {
            run(key)
        }
    })
}

function close(): void {
    ui.holdsKeys = false
    void nextTick(() => ui.panel === null && map.editing === null && ui.focusRegion(map.region))
}
</script>

<template>
    <MenuAt ref="menuAt" :options="options" @select="select" @close="close" />
</template>
