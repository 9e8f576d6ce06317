/** The default theme, with the programs of the guide as a component and a picture on the first page. */
import { h } from 'vue';
import DefaultTheme from 'vitepress/theme';
import picture from '../../screenshots/over-the-hills.png';
import Program from './Program.vue';
import './style.css';

export default {
  extends: DefaultTheme,
  Layout: () =>
    h(DefaultTheme.Layout, null, {
      'home-hero-image': () =>
        h('img', { src: picture, alt: 'Lemon Strait: terraced islands in perspective', class: 'picture' }),
    }),
  enhanceApp({ app }) {
    app.component('Program', Program);
  },
};
