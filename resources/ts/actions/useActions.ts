import { useEventListener } from '@vueuse/core'
import { shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { useCamera } from '@/board/cameraStore'
import { useWalk } from '@/show/walkStore'
import { useChosenMarks } from '@/stores/chosenMarks'
import { useDrafts } from '@/stores/drafts'
import { useMap } from '@/stores/map'
import { usePreferences } from '@/stores/preferences'
import { useSession } from '@/stores/session'
import { useTitles } from '@/stores/titles'
import { useTyping } from '@/text/typing'
import { holdForField } from '@/ui/heldKeys'
import { tell } from '@/ui/tell'
import { useUi } from '@/ui/uiStore'
import { pressed, readable, types, typesWithAlt } from './keys'
import { usePaste } from '@/paste/pasteStore'
import { chooseActions } from './chooseActions'
import { mapActions, typingActions } from './mapActions'
import { isForOwners, isForReaders } from './reading'
import type { Action, Context, Group, Scope } from './registry'
import { seeingActions } from './seeingActions'
import { captureActions } from './captureActions'
import { scopeActions } from './scopeActions'
import { shapeActions } from './shapeActions'
import { movingActions, topicActions } from './topicActions'
import { walkActions } from './walkActions'
import { wayActions } from './wayActions'
import { features } from '@/features'

/** Every action there is. */
export const actions: readonly Action[] = [
    ...topicActions, ...captureActions, ...chooseActions, ...movingActions, ...shapeActions, ...typingActions, ...seeingActions, ...scopeActions,
    ...wayActions, ...mapActions, ...walkActions, ...features.flatMap((feature) => feature.actions),
]

/** The sentences about what the application itself does come when one is asked for. */
const told = shallowRef<Readonly<Record<string, string>>>({})
let isAsked = false

/** What an action does, in one sentence. */
export function sentenceOf({ id, what }: Action): string {
    if (what === undefined && !isAsked) {
        isAsked = true
        import('./sentences').then(({ sentences }) => (told.value = sentences)).catch(() => (isAsked = false))
    }
    return what ?? told.value[id] ?? told.value[id.replace(/[^.-]+$/, '')] ?? ''
}

/** In the strip of slides, what is done with topics waits for the board; all else works there too. */
const ofAnyPart: ReadonlySet<Group> = new Set<Group>(['Seeing', 'Map', 'Finding', 'Hand over', 'Show', 'Walk', 'Help'])
/** In a table so do moving topics and what is put on them. */
const ofRows: ReadonlySet<Group> = new Set<Group>([...ofAnyPart, 'Moving', 'Signs', 'Tracking', 'Look'])
/** While one writes, what is done in any field, and moving sections with Alt. */
const ofText: ReadonlySet<Group> = new Set<Group>(['Moving'])
const ofPart: Readonly<Partial<Record<Scope, ReadonlySet<Group>>>> = { strip: ofAnyPart, table: ofRows }

const byId = new Map(actions.map((action) => [action.id, action]))

/** Asking for actions and running them, from wherever a component is. */
export function useActions() {
    const router = useRouter()
    const stores = {
        map: useMap(), titles: useTitles(), typing: useTyping(), camera: useCamera(),
        preferences: usePreferences(), ui: useUi(), walk: useWalk(), paste: usePaste(),
    }

    const session = useSession()
    const marks = useChosenMarks()
    const drafts = useDrafts()

    /** The keys of an action, as this person has them. */
    const keysOf = (action: Action): readonly string[] => session.keys[action.id] ?? action.keys

    const context = (scope: Scope): Context => ({ ...stores, router, scope })

    function scopeOf(target: EventTarget | null): Scope {
        const element = target instanceof Element ? target : null
        if (stores.ui.isShowing) {
            return element?.closest('select, input') == null ? 'show' : 'field'
        }
        if (element?.closest('.title-editor') != null) {
            return 'typing'
        }
        if (element?.closest('[data-scope=draft]') != null) {
            return 'draft'
        }
        if (element?.closest('input:not([type=radio], [type=checkbox]), textarea, select, [contenteditable=true], [role=dialog], .n-modal-container, .n-popover') != null) {
            return 'field'
        }
        if (stores.walk.at !== null) {
            return 'walk'
        }
        const part = element?.closest<HTMLElement>('[data-scope]')?.dataset.scope
        if (part === 'strip' || part === 'table') {
            return part
        }
        return stores.map.id === '' ? 'library' : marks.chosen !== null ? 'mark' : stores.map.region
    }

    /** Whether somebody with their role may do it at all; where no map is open everybody may. */
    const mayDo = (action: Action): boolean => stores.map.id === '' || ((stores.map.mayEdit || isForReaders(action)) && (stores.map.isOwner || !isForOwners(action)))
    const isAvailable = (action: Action): boolean => mayDo(action) && (action.available?.(context(action.scopes[0] ?? 'board')) ?? true)

    /** What was typed before is done before, and so it is taken back after. */
    function perform(action: Action, scope: Scope): void {
        drafts.flushAll()
        action.run(context(scope))
    }

    function run(id: string): void {
        const action = byId.get(id)
        if (action !== undefined && isAvailable(action)) {
            perform(action, action.scopes[0] ?? 'board')
        }
    }

    const nameOf = (id: string): string => byId.get(id)?.name ?? id
    const whatOf = (id: string): string => {
        const action = byId.get(id)
        return action === undefined ? '' : sentenceOf(action)
    }

    /** The key of an action as a person reads it, or nothing. */
    function keyOf(id: string): string {
        const action = byId.get(id)
        const key = action === undefined ? undefined : keysOf(action)[0]
        return key === undefined ? '' : readable(key)
    }

    /** What a key does; where several share it, the one that makes sense now. */
    function actionOf(key: string, scope: Scope): Action | undefined {
        const all = actions.filter((action) => action.scopes.includes(scope) && keysOf(action).includes(key) && action.native !== true)
        return all.length > 1 ? (all.find((action) => action.available?.(context(scope)) ?? true) ?? all[0]) : all[0]
    }

    /** In a walk the keys go on even where a button was clicked; on one that was come to by keys they press it. */
    const isPressedByKey = (event: KeyboardEvent): boolean => ['Enter', ' ', 'Tab', 'Shift+Tab'].includes(pressed(event)) && (event.target as Element).matches(':focus-visible')

    function onKey(event: KeyboardEvent): void {
        if (event.isComposing || event.keyCode === 229 || event.defaultPrevented || stores.ui.holdsKeys) {
            return
        }
        const scope = scopeOf(event.target)
        const isPlainControl = event.target instanceof Element && event.target.closest('button, a, [role=menuitem], [role=tab], [role=slider], [role=separator]') !== null
        // Radio buttons keep the arrows and boxes the space; all other keys do what they do everywhere.
        if (event.target instanceof Element && event.target.matches('[type=radio], [type=checkbox], [role=checkbox], [role=radio]') && (/^Arrow/.test(event.key) || [' ', 'Enter', 'Tab'].includes(event.key)) && !event.ctrlKey && !event.metaKey && !event.altKey) {
            return
        }
        // A list to choose from keeps those by which one chooses and goes on; what was chosen is taken back as everywhere.
        if (event.target instanceof Element && event.target.closest('.n-base-selection') !== null && !event.ctrlKey && !event.metaKey && !event.altKey) {
            return
        }
        if (isPlainControl && ['Enter', ' ', 'Tab', 'ArrowLeft', 'ArrowRight', 'Shift+Tab'].includes(pressed(event)) && (scope !== 'walk' || isPressedByKey(event))) {
            return
        }
        const isText = scope === 'typing' || scope === 'field' || scope === 'draft'
        if (typesWithAlt(event) && (isText || event.getModifierState('AltGraph'))) {
            typeInto(event, scope)
            return
        }
        const key = pressed(event)
        // On a mark all else works too, but for what is done with topics.
        const found = actionOf(key, scope) ?? (scope === 'draft' ? actionOf(key, 'field') ?? [actionOf(key, stores.map.region)].find((one) => one !== undefined && ofText.has(one.group) && /^Alt\+(?:Arrow|Page)/.test(key)) : scope === 'mark' ? actionOf(key, stores.map.region) : [actionOf(key, stores.map.region)].find((one) => one !== undefined && ofPart[scope]?.has(one.group) === true && !one.id.startsWith('go.')))
        if (found !== undefined) {
            event.preventDefault()
            event.stopPropagation()
            if (!mayDo(found)) {
                tell.info(stores.map.mayEdit ? 'Only whoever keeps this map may do this.' : 'You may look at this map, not change it.')
            } else if (found.available?.(context(scope)) ?? true) {
                if (found.opens !== undefined) {
                    holdForField(found.opens)
                }
                perform(found, scope)
            }
            return
        }
        typeInto(event, scope)
    }

    /** Typing on a topic begins its title anew; in the tray letters and digits are the tray's. */
    function typeInto(event: KeyboardEvent, scope: Scope): void {
        const isOfTray = event.target instanceof Element && event.target.closest('[data-focus=tray]') !== null
        if (!isOfTray && (scope === 'board' || scope === 'outline') && types(event) && stores.map.current !== null) {
            event.preventDefault()
            stores.titles.begin(stores.map.current, event.key)
        }
    }

    /** What the menus are made of. */
    const menuContext = (): Context => context(stores.map.region)

    /** Listens for keys; once, by the application. */
    function listen(): void {
        useEventListener(window, 'keydown', onKey, { capture: true })
    }

    return { actions, run, mayDo, isAvailable, nameOf, whatOf, keyOf, keysOf, menuContext, listen }
}
