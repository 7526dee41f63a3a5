import { features } from '@/features'
import type { TrayPage } from '@/features/feature'

/** The pages that features hand in; without any there is no tray. */
export const trayPages: readonly TrayPage[] = features.flatMap((feature) => feature.trayPages ?? [])
