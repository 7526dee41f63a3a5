import { defineAsyncComponent } from 'vue'
import { bring, hereOr, takers } from '@/stores/bringing'
import { useBeside } from '@/stores/beside'
import { useMap } from '@/stores/map'
import type { Feature } from '../feature'
import { fileActions } from './actions'
import { toldFiles } from './files'

const FileSection = defineAsyncComponent(() => import('./FileSection.vue'))
const FilesRead = defineAsyncComponent(() => import('./FilesRead.vue'))
const FileOverlay = defineAsyncComponent(() => import('./FileOverlay.vue'))
const FilesPanel = defineAsyncComponent(() => import('./FilesPanel.vue'))

export const file: Feature = {
    name: 'attach', actions: fileActions, desk: [{ in: 'Files', component: FileSection }], overlay: FileOverlay, reading: FilesRead, sides: { files: FilesPanel },
    tells: (topic) => toldFiles(useBeside().tree, topic),
    // What programs put on the clipboard beside a text that they copy is not meant.
    paste: (data) => {
        const isMeant = data.files.length > 0 && data.getData('text/plain') === ''
        if (isMeant) {
            bring([...data.files], hereOr(useMap().current))
        }
        return isMeant
    },
}

takers.push({ bring: (files, to) => void import('./fileStore').then(({ useFiles }) => useFiles().bring(files, to)) })
