import '@fontsource-variable/archivo/wdth.css';
import '@fontsource/ibm-plex-mono/latin-400.css';
import '@fontsource/ibm-plex-mono/latin-500.css';
import './theme/tokens.css';
import './theme/base.css';
import './theme/print.css';
import { createPinia } from 'pinia';
import PrimeVue from 'primevue/config';
import ToastService from 'primevue/toastservice';
import { createApp } from 'vue';
import App from './App.vue';
import { watchParts } from './offline/partMissing';
import { registerWorker } from './offline/registerWorker';
import { router } from './router';
import { paperAndInk } from './theme/preset';

watchParts();
createApp(App)
  .use(createPinia())
  .use(router)
  .use(PrimeVue, {
    theme: { preset: paperAndInk, options: { darkModeSelector: '[data-theme="dark"]', cssLayer: false } },
    // A dialog gives its first field the keys when it has come in. It comes in at once, or it would take them from whoever types already.
    pt: { dialog: { transition: { css: false } } },
  })
  .use(ToastService)
  .mount('#app');

registerWorker();
