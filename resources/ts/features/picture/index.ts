import { defineAsyncComponent } from 'vue'
import { bounds } from '@/api/bounds'
import { takers } from '@/stores/bringing'
import type { Feature } from '../feature'
import { pictureActions } from './actions'
import PictureBoard from './PictureBoard.vue'
import PictureOverlay from './PictureOverlay.vue'
import { isPicture, usePictures } from './pictureStore'

// What stands beside the board comes when the map is seen and keys are answered.
const PicturePage = defineAsyncComponent(() => import('./PicturePage.vue'))
const PictureSection = defineAsyncComponent(() => import('./PictureSection.vue'))

export const picture: Feature = {
    name: 'picture', actions: pictureActions, desk: [{ in: 'Files', component: PictureSection }], trayPages: [{ name: 'Pictures', component: PicturePage }],
    tells: (topic) => usePictures().told(topic),
    onBoard: PictureBoard, overlay: PictureOverlay,
}

takers.push({ takes: (file) => isPicture(file) && file.size <= bounds.picture, bring: (files, to) => void usePictures().bring(files, to) })
