import { arrange } from './arrange'
import type { Feature } from './feature'

/** The list of all features. A new one is a folder and one line here. */
export const features: readonly Feature[] = [arrange]
