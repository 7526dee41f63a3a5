import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import './main.css'
import { router } from './router'

// What is measured in the board's typeface must not be measured before it is there.
void Promise.allSettled([document.fonts.load('16px "Atkinson Hyperlegible"'), document.fonts.load('700 16px "Atkinson Hyperlegible"')])

createApp(App).use(createPinia()).use(router).mount('#app')
