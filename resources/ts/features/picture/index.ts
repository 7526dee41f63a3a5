import { defineAsyncComponent } from 'vue'
import { useCamera } from '@/board/cameraStore'
import { useMap } from '@/stores/map'
import type { Feature } from '../feature'
import { pictureActions } from './actions'
import PictureHandles from './PictureHandles.vue'
import PictureOverlay from './PictureOverlay.vue'
import { usePictures } from './pictureStore'

// What stands beside the board comes when the map is seen and keys are answered.
const PicturePage = defineAsyncComponent(() => import('./PicturePage.vue'))
const PictureSection = defineAsyncComponent(() => import('./PictureSection.vue'))

export const picture: Feature = {
    name: 'picture', actions: pictureActions, desk: [{ in: 'Files', component: PictureSection }], trayPages: [{ name: 'Pictures', component: PicturePage }],
    tells: (topic) => usePictures().told(topic),
    onBoard: PictureHandles, overlay: PictureOverlay,
    // What programs put on the clipboard beside a text that they copy is not meant.
    paste: (data) => {
        const files = [...data.files].filter((file) => file.type.startsWith('image/'))
        if (files.length === 0 || data.getData('text/plain') !== '') {
            return false
        }
        const { current } = useMap()
        void usePictures().bring(files, current === null ? useCamera().freePoint() : { topic: current })
        return true
    },
}
