import { aloud } from './aloud'
import { arrange } from './arrange'
import { brace } from './brace'
import { digest } from './digest'
import { draft } from './draft'
import type { Feature } from './feature'
import { file } from './file'
import { filter } from './filter'
import { comment } from './comment'
import { crosslink } from './crosslink'
import { handover } from './handover'
import { kind } from './kind'
import { link } from './link'
import { look } from './look'
import { number } from './number'
import { picture } from './picture'
import { privacy } from './privacy'
import { process } from './process'
import { ring } from './ring'
import { rule } from './rule'
import { share } from './share'
import { show } from './show'
import { sign } from './sign'
import { story } from './story'
import { table } from './table'
import { task } from './task'
import { walk } from './walk'
import { words } from './words'

/** The list of all features. A new one is a folder and one line here. */
export const features: readonly Feature[] = [number, privacy, share, comment, handover, look, link, arrange, kind, task, rule, sign, picture, file, show, walk, filter, digest, table, draft, story, words, aloud, process, crosslink, ring, brace]

/** What features have put on a topic, in words. */
export const toldOf = (topic: string): string => features.map((feature) => feature.tells?.(topic) ?? '').filter((words) => words !== '').join(', ')
