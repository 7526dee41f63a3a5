import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { bounds } from './api/bounds'
import { askEarly } from './api/client'
import App from './App.vue'
import './main.css'
import { router } from './router'

// What is measured in the board's typeface must not be measured before it is there.
void Promise.allSettled([document.fonts.load('16px "Atkinson Hyperlegible"'), document.fonts.load('700 16px "Atkinson Hyperlegible"')])

const map = /^\/maps\/([0-9a-z]{26})(?:\/topics\/[0-9a-z]{26})?$/.exec(location.pathname)?.[1]
if (map !== undefined) {
    askEarly(map)
    void import('@/board/MapPage.vue')
}

// Nobody waits for what lets the application open without a network.
if (bounds.offline && 'serviceWorker' in navigator) {
    setTimeout(() => void import('@/stores/kept').then(({ useKept }) => useKept().begin()).catch(() => undefined), 4_000)
}

createApp(App).use(createPinia()).use(router).mount('#app')
