const mac = /Mac|iPhone|iPad/.test(navigator.platform)

const shown: Record<string, string> = {
    ArrowUp: '↑', ArrowDown: '↓', ArrowLeft: '←', ArrowRight: '→',
    Mod: mac ? '⌘' : 'Ctrl', Alt: mac ? '⌥' : 'Alt', Escape: 'Esc', Delete: 'Del', Backspace: '⌫', ' ': 'Space',
}

/** A key press in the registry's writing, "Mod+Shift+Z". */
export function pressed(event: KeyboardEvent): string {
    const parts: string[] = []
    if (mac ? event.metaKey : event.ctrlKey) {
        parts.push('Mod')
    }
    if (event.altKey) {
        parts.push('Alt')
    }
    if (event.shiftKey) {
        parts.push('Shift')
    }
    // With Alt or Shift held, letters and digits may come as other signs.
    const key = event.altKey && event.code.startsWith('Key') ? event.code.slice(3) : event.altKey && event.code.startsWith('Digit') ? event.code.slice(5) : event.key
    parts.push(key.length === 1 ? key.toUpperCase() : key)
    return parts.join('+')
}

/** A key in the registry's writing as a person reads it. */
export function readable(keys: string): string {
    return keys
        .split('+')
        .map((part) => shown[part] ?? part)
        .join(mac ? '' : '+')
}

/** Whether a key types a letter or sign of its own with AltGr or Option, as "@", "ł" and "ż" on many keyboards. */
export function typesWithAlt(event: KeyboardEvent): boolean {
    if ([...event.key].length !== 1) {
        return mac && event.key === 'Dead' && event.altKey
    }
    if (event.getModifierState('AltGraph')) {
        return true
    }
    const plain = event.code.replace(/^(Key|Digit)/, '').toLowerCase()
    return mac && event.altKey && !event.metaKey && /^(Key|Digit)/.test(event.code) && event.key.toLowerCase() !== plain
}

/** Whether a key press types a character. */
export function types(event: KeyboardEvent): boolean {
    const isHeld = event.ctrlKey || event.metaKey || event.altKey
    return [...event.key].length === 1 && event.key !== ' ' && (!isHeld || event.getModifierState('AltGraph'))
}
