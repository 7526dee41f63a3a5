import { onTopics } from '@/actions/conditions'
import type { Action } from '@/actions/registry'
import { commands } from '@/slides/commands'
import { current } from '@/slides/current'
import { notLoaded } from '@/ui/tell'
import type { useShow as UseShow } from './showStore'
import type { useSlides as UseSlides } from './slidesStore'

const inMap = ['board', 'outline', 'mark', 'strip'] as const

const withSlides = (run: (slides: ReturnType<typeof UseSlides>) => void): void => void import('./slidesStore').then(({ useSlides }) => run(useSlides())).catch(notLoaded)
const withShow = (run: (show: ReturnType<typeof UseShow>) => void): void => void import('./showStore').then(({ useShow }) => run(useShow())).catch(notLoaded)

const ofBranch = (makes: 'children' | 'levels' | 'noted' | 'each', words: string): Action =>
    ({ id: `deck.${makes}`, name: `Slides: ${words}`, what: 'Makes a deck of the chosen branch and keeps it in step with the map.', group: 'Show', keys: [], scopes: onTopics, run: () => withSlides((slides) => void slides.makeDeck(makes)) })

export const showActions: readonly Action[] = [
    { id: 'way.slides', name: 'Slides', group: 'Seeing', keys: ['Alt+5'], scopes: [...inMap, 'field'], run: () => withSlides((slides) => slides.see()) },
    { id: 'show.begin', name: 'Show the slides', group: 'Show', keys: ['Shift+F9'], scopes: [...inMap, 'field'], run: () => withShow((show) => show.begin()) },
    { id: 'slide.add', name: 'Make a slide of what is chosen', group: 'Show', keys: ['Shift+F8'], scopes: inMap, run: () => withSlides((slides) => void slides.add()) },
    { id: 'slide.put', name: 'Put on the slide, or take off', group: 'Show', keys: ['Shift+F7'], scopes: onTopics, run: () => withSlides((slides) => slides.put()) },
    { id: 'slide.alone', name: 'Put on the slide without what is below', group: 'Show', keys: ['Shift+F1'], scopes: onTopics, run: () => withSlides((slides) => slides.put(undefined, 'alone')) },
    { id: 'slide.fold', name: 'Fold or unfold on the slide', group: 'Show', keys: ['Shift+F6'], scopes: onTopics, run: () => withSlides((slides) => slides.fold()) },
    { id: 'slide.cover', name: 'Cover on the slide until clicked', group: 'Show', keys: ['Shift+F2'], scopes: onTopics, run: () => withSlides((slides) => slides.cover()) },
    { id: 'slide.frame', name: 'Frame the slide as the board is now', group: 'Show', keys: ['Shift+F3'], scopes: inMap, run: () => withSlides((slides) => slides.frame()) },
    ofBranch('children', 'each part of this branch'),
    ofBranch('levels', 'each level of this branch'),
    ofBranch('noted', 'each topic with a note'),
    ofBranch('each', 'each topic of this branch'),
    { id: 'strip.up', name: 'Slide above', group: 'Show', keys: ['ArrowUp'], scopes: ['strip'], run: () => withSlides((slides) => slides.step(-1)) },
    { id: 'strip.down', name: 'Slide below', group: 'Show', keys: ['ArrowDown'], scopes: ['strip'], run: () => withSlides((slides) => slides.step(1)) },
    { id: 'slide.up', name: 'Move the slide up', group: 'Show', keys: ['Alt+ArrowUp'], scopes: ['strip'], run: () => withSlides((slides) => slides.move(-1)) },
    { id: 'slide.down', name: 'Move the slide down', group: 'Show', keys: ['Alt+ArrowDown'], scopes: ['strip'], run: () => withSlides((slides) => slides.move(1)) },
    { id: 'slide.copy', name: 'Duplicate the slide', group: 'Show', keys: ['Mod+D'], scopes: ['strip'], run: () => withSlides((slides) => void slides.copy()) },
    { id: 'slide.hide', name: 'Hide the slide, or show it', group: 'Show', keys: ['H'], scopes: ['strip'], run: () => withSlides((slides) => slides.hide()) },
    { id: 'slide.remove', name: 'Remove the slide', group: 'Show', keys: ['Delete', 'Backspace'], scopes: ['strip'], run: () => withSlides((slides) => void slides.remove()) },
    { id: 'slide.show', name: 'Show from this slide', group: 'Show', keys: ['Enter'], scopes: ['strip'], run: () => withShow((show) => show.begin()) },
    { id: 'slide.rename', name: 'Give the slide a title', group: 'Show', keys: ['F2'], scopes: ['strip'], run: ({ preferences }) => {
        preferences.deskOpen = true
        setTimeout(() => document.querySelector<HTMLInputElement>('[aria-label="Title above the slide"]')?.select(), 60)
    } },
    ...commands.map((command): Action => ({ id: command.id, name: command.name, what: command.what, group: 'Show', keys: command.keys, scopes: ['show'], run: () => current.player?.does(command.id) })),
]
