import type { Action, Group } from './registry'

/** What somebody may do who only looks at a map: find their way, narrow it, show it, hand it over. All else changes it, or needs all of it. */
const groups: ReadonlySet<Group> = new Set<Group>(['Choosing', 'Seeing', 'Walk', 'Help'])
const others: ReadonlySet<string> = new Set([
    'clip.copy', 'clip.copy-alone', 'clip.address', 'map.library', 'map.share', 'comment.open', 'comment.next', 'link.go', 'link.back', 'file.open', 'show.begin',
    'filter.open', 'filter.next', 'filter.before', 'filter.end', 'filter.choose', 'filter.everywhere',
    'handover.open', 'handover.again', 'handover.docx', 'handover.pdf', 'handover.print', 'handover.slides', 'handover.picture',
])
const never: ReadonlySet<string> = new Set(['way.table', 'way.draft', 'way.slides', 'walk.mark', 'walk.stops', 'see.second', 'see.apart'])
const complete: ReadonlySet<string> = new Set(['export.json', 'export.zip'])
/** What only its owner may do. */
const owners: ReadonlySet<string> = new Set(['handover.publish', 'map.starter'])

export const isForReaders = ({ id, group }: Action): boolean => (groups.has(group) && !never.has(id)) || others.has(id) || id.startsWith('aloud.') || (id.startsWith('export.') && !complete.has(id))

export const isForOwners = ({ id }: Action): boolean => owners.has(id)
